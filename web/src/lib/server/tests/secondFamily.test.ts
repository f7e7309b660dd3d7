import {
	adviceFor,
	cents,
	EMPTY_REPORT,
	groupRecords,
	hz,
	hzAbove,
	pitchLeft,
	reportOf,
	sounderId,
	summariseVisit,
	temperamentById,
	type Family,
	type Hz,
	type ListenerEvent
} from '@fendrel/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { IDBFactory } from 'fake-indexeddb';
import 'fake-indexeddb/auto';
import { HandOver } from '$lib/handover/handOver.svelte';
import { batchSchema } from '$lib/record/record';

import { eventsOf } from '$lib/server/db/stores/record';
import { groupsSet } from '$lib/server/db/stores/summaries';
import { takeIn } from '$lib/server/record/takeIn';
import { beginVisit, details, finishVisit, newWorkshop, withDatabase, newInstrument } from '$lib/server/tests/parts';
import { Setting } from '$lib/visit/set/setting.svelte';
import { VisitRecord } from '$lib/visit/visitRecord.svelte';

/** A family that there is not: chimes of one or two bars, cut at either end, in an order of their own. */
interface Chimes {
	readonly bars: readonly number[];
}
const MEMBERS = ['front', 'back'];
const members = ({ bars }: Chimes, group: number) => MEMBERS.slice(0, bars[group - 1]);
const CHIMES: Family<Chimes> = {
	id: 'chimes',
	name: 'Chimes',
	group: { one: 'chime', many: 'chimes' },
	groups: ({ bars }) => bars.map((_, i) => i + 1),
	groupName: (group) => `chime ${group}`,
	sounders: (chimes, group) => members(chimes, group).map((member) => sounderId(group, member)),
	choices: (chimes, group) =>
		members(chimes, group).map((member, i) => ({
			id: member,
			label: member,
			key: String(i + 1),
			sounders: [sounderId(group, member)]
		})),
	// One end of a bar moves it; where two hang together, the one shifts the other a little.
	controls: (chimes, group) =>
		members(chimes, group).map((member) => ({
			id: `${group}-${member}-end`,
			name: `End of chime ${group}, ${member}`,
			moves: members(chimes, group).map((each) => ({
				sounder: sounderId(group, each),
				share: each === member ? 1 : 0.05
			}))
		})),
	targets: ({ bars }, { a4 }) =>
		bars.map((_, i) => {
			const pitch = hz((a4 * (i + 1)) / 2);
			return { note: i + 1, pitch, fromEqual: cents(0), string: { flexiblePitch: pitch, inharmonicity: 0 } };
		}),
	ways: ['struck'],
	order: ({ bars }) =>
		bars
			.map((_, i) => ({ note: i + 1, against: undefined, interval: undefined, section: 'upwards' as const }))
			.reverse(),
	instructions: {
		begin: 'Tap it',
		check: 'Done. Tap to check',
		raise: 'File the end',
		lower: 'File the middle',
		again: 'Tap again',
		firmer: 'Tap harder',
		unsure: 'Too unsure',
		holds: 'Rings true'
	}
};
const body: Chimes = { bars: [1, 2, 1] };
const targets = CHIMES.targets(body, { a4: hz(400), temperament: temperamentById('equal'), inharmonicityAt: () => 0 });
const targetOf = (group: number): Hz => targets[group - 1].pitch;

withDatabase();

let handOver: HandOver;
let me: Awaited<ReturnType<typeof newWorkshop>>;
let visitId: string;
beforeEach(async () => {
	globalThis.indexedDB = new IDBFactory();
	me = await newWorkshop();
	visitId = await beginVisit(me, await newInstrument(me.workshopId, details('Chimes')));
	// The real server, but for the wire.
	vi.stubGlobal('fetch', async (_: unknown, init: RequestInit) =>
		Response.json({ answers: await takeIn(me, batchSchema.parse(JSON.parse(String(init.body)))) })
	);
	handOver = new HandOver();
	handOver.start();
});
afterEach(() => {
	handOver.stop();
	vi.unstubAllGlobals();
});

describe('a second family', () => {
	it('goes through a whole visit: order, strikes, advice, acts, hand-over, report, end', async () => {
		const record = new VisitRecord(visitId, await eventsOf(me.workshopId, visitId), handOver);
		const setting = new Setting({
			family: CHIMES,
			body,
			record,
			plan: { targetOf: (group) => targets[group - 1] },
			tolerance: cents(1),
			habits: () => [{ to: 127, partial: 0, moment: 0.5 }],
			source: () => 'microphone',
			onDue: () => {},
			unisonLimit: () => 0.5
		});
		let at = 0;
		const tap = (group: number, off: number) => {
			const pitch = hzAbove(targetOf(group), cents(off));
			const told = { note: group, struckAt: ++at, moment: 0.5, pitch, pitchError: cents(0.1), flexiblePitch: pitch };
			const reading = { ...told, inharmonicity: undefined, inharmonicityError: undefined, partials: [] };
			setting.hear([
				{ kind: 'strike', at },
				{ kind: 'reading', at, reading },
				{ kind: 'ended', at }
			] as ListenerEvent[]);
		};
		expect(setting.order.map(({ note }) => note)).toEqual([3, 2, 1]);
		tap(3, -8);
		expect(setting.strikes.advice).toBe('raise');
		expect(CHIMES.instructions[setting.strikes.advice as 'raise']).toBe('File the end');
		tap(2, 0);
		expect(setting.notice?.text).toBe('That was chime 2; chime 3 is due.');
		tap(3, 0.1);
		tap(3, 0.1);
		expect(setting.strikes.advice).toBe(
			adviceFor(
				[-8, 0.1, 0.1].map((off) => ({ off, error: 0.1 })),
				cents(1)
			)
		);
		expect(setting.instruction).toBe('holds');
		expect(setting.isSet(3)).toBe(true);
		setting.goTo(2);
		expect(setting.choices.map(({ label }) => label)).toEqual(['front', 'back']);
		setting.leaveOpen(setting.choices[1]);
		tap(2, 0.4);
		setting.keep();
		expect(setting.step.note).toBe(1);
		setting.keep();
		record.act({ do: 'place', group: 1 });
		setting.stop();

		await vi.waitFor(async () => expect(await handOver.flush()).toBe(true), { timeout: 10_000 });
		expect(handOver.refused).toEqual([]);
		await finishVisit(me, visitId, 'All ring.');
		expect(await groupsSet(me.workshopId, [visitId])).toEqual(new Map([[visitId, 3]]));

		// Another device reads the same report from the server.
		const there = reportOf(await eventsOf(me.workshopId, visitId));
		expect([...there.sounders.values()].map(({ sounder, left }) => [sounder, left?.figure?.pitch]).sort()).toEqual(
			[...record.report.sounders.values()].map(({ sounder, left }) => [sounder, left?.figure?.pitch]).sort()
		);
		expect(there).toMatchObject({ place: 1, note: 'All ring.', finishedAt: expect.any(Number) });
		const groups = groupRecords(there.sounders.values());
		expect(pitchLeft(groups, 3)).toBeCloseTo(600 * 2 ** (0.1 / 1200), 9);
		expect(pitchLeft(groups, 1)).toBeUndefined();
		const summary = summariseVisit(groups, CHIMES.groups(body), targetOf);
		expect([summary.set, summary.leftOut]).toEqual([[1, 2, 3], []]);
		expect(summary.movedMost).toMatchObject({ note: 3, by: expect.closeTo(8.1, 6) });
		expect(EMPTY_REPORT.sounders.size).toBe(0);
	});

	it('says how each of its controls moves which sounders', () => {
		for (const group of CHIMES.groups(body))
			for (const { moves } of CHIMES.controls(body, group)) {
				expect(moves.map(({ sounder }) => sounder)).toEqual(CHIMES.sounders(body, group));
				expect(Math.max(...moves.map(({ share }) => share))).toBe(1);
			}
	});
});
