import { centsBetween, FAMILIES, hz } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { signIn } from '../auth/signIn';
import { database } from '../db/connection';
import { migrator } from '../db/migrate';
import { listCountedOctaves } from '../db/stores/countedOctaves';
import { listInstruments } from '../db/stores/instruments';
import { shelfOf } from '../db/stores/shelf';
import { listTemperaments } from '../db/stores/temperaments';
import { loadDemo } from './load';
import { DEMO_ACCOUNT, DEMO_INSTRUMENTS, HALF_FILED, NECKED, HARPS } from './scenario';
import { withDatabase } from '../tests/parts';
import { visitHistory } from '../visits/history';

const WHOLE = { find: '', after: '', most: 1000 };

withDatabase(async () => {
	await migrator(database()).down({ to: 0 });
});

/** The one that lives with a capo. */
const GUITARS = 1;

describe('the demo scenario', () => {
	it('is the same on the same day, consistent, and half done in three places', async () => {
		await loadDemo(new Date('2026-07-14T12:00:00Z'));
		const signed = await signIn(DEMO_ACCOUNT.email, DEMO_ACCOUNT.password, { address: '10.0.0.5' });
		expect(signed.kind).toBe('welcome');
		const { workshopId } = (await database().models.users.findOne({ where: { email: DEMO_ACCOUNT.email } }))!.get();
		const instruments = await listInstruments(workshopId);
		expect(instruments).toHaveLength(DEMO_INSTRUMENTS.length + HARPS.length + NECKED.length + GUITARS);
		expect(DEMO_INSTRUMENTS.length).toBeGreaterThan(27);
		expect((await shelfOf(workshopId, WHOLE)).filter(({ finishedAt }) => finishedAt)).toHaveLength(
			// One harp and one viol are at their first visit.
			instruments.length - 2
		);
		const open = await database().models.visits.count({ where: { workshopId, finishedAt: null } });
		expect(open).toBe(3);
		expect((await listTemperaments(workshopId)).filter(({ own }) => own).map(({ name }) => name)).toEqual([
			'Tide mill, agreed'
		]);
		const [octave] = await listCountedOctaves(workshopId);
		expect(octave.counts.length).toBeGreaterThan(40);
		expect(octave.verdict).toMatch(/notes to move: (raise|lower) /);
		const grand = instruments.find(({ name }) => name === 'Chapel concert grand')!;
		const history = await visitHistory(workshopId, grand);
		expect(history).toHaveLength(12);
		for (const { found, left, notesSet, a4Left } of history) {
			expect(notesSet).toBe(88);
			expect(Math.abs(left!)).toBeLessThan(0.3);
			expect(Math.abs(found!)).toBeLessThan(15);
			expect(Math.abs(centsBetween(hz(440), hz(a4Left!)))).toBeLessThan(1.5);
		}
		// Harps were left where they were planned; the half done one has seven reeds set.
		for (const harp of instruments.filter(({ kind }) => kind === 'reeds')) {
			const [visit] = await visitHistory(workshopId, harp);
			expect(visit.notesSet).toBe(
				harp.name === HALF_FILED.harp ? HALF_FILED.reeds : FAMILIES.reeds.groups(harp.reeds!).length
			);
			expect(Math.abs(visit.left!)).toBeLessThan(1);
			expect(visit.found).not.toBe(visit.left);
		}
		// Strings were left where each viol's temperament has them.
		for (const viol of instruments.filter(({ kind }) => kind === 'frets')) {
			const [visit] = await visitHistory(workshopId, viol);
			expect(visit.notesSet).toBe(6);
			expect(Math.abs(visit.left!)).toBeLessThan(1.5);
		}
		// Seasons: the grand is found sharper in summer than in winter.
		const mean = (months: number[]) => {
			const of = history.slice(0, -1).filter(({ startedAt }) => months.includes(startedAt.getUTCMonth()));
			return of.reduce((sum, { found }) => sum + found!, 0) / of.length;
		};
		expect(mean([5, 6, 7, 8])).toBeGreaterThan(mean([11, 0, 1, 2]));
	}, 240_000);
});
