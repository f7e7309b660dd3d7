import { readTuningMessage } from '../../../../../core/fixtures/readTuningMessage';
import { temperamentById, offsetsFromEqual, transposed } from '@fendrel/core';
import { beforeAll, describe, expect, it } from 'vitest';
import { toJson } from '$lib/temperaments/exchange';
import { written, type KeepResult } from '$lib/temperaments/temperamentDraft';
import { getCountedOctave, listCountedOctaves, saveCountedOctave } from '../db/stores/countedOctaves';
import { listTemperaments, temperamentBySlug } from '../db/stores/temperaments';
import { download } from './download';
import { temperamentOr404 } from '../find';
import { deleteOwn, importText, keepDraft } from './keepDraft';
import { libraryAsked, libraryPage } from './library';
import type { SignedIn } from '../auth/session';
import { newWorkshop, withDatabase } from '../tests/parts';
import { loadTuning } from '../tuning/choice';

withDatabase();
let [mine, theirs]: SignedIn[] = [];
let [me, other] = ['', ''];
beforeAll(async () => {
	[mine, theirs] = [await newWorkshop(), await newWorkshop()];
	[me, other] = [mine.workshopId, theirs.workshopId];
}, 60_000);

const wire = (name: string, tuning = written(temperamentById('vallotti').tuning)) => ({ name, tuning });
const problems = (result: KeepResult) => (result.kind === 'refused' ? result.problems.join(' ') : result.kind);
const kept = (result: KeepResult) => {
	if (result.kind !== 'kept') throw new Error(JSON.stringify(result));
	return result.slugs;
};

describe('keeping temperaments', () => {
	it('keeps one whole, for its own workshop only, and changes it', async () => {
		const [slug] = kept(await keepDraft(mine, { ...wire('Harbour'), uses: ['organ'], character: 'Calm.' }, false));
		const stored = await temperamentOr404(me, slug);
		expect(stored).toMatchObject({ name: 'Harbour', own: true, uses: ['organ'], character: 'Calm.' });
		expect(stored.tuning).toEqual(temperamentById('vallotti').tuning);
		await expect(temperamentOr404(other, slug)).rejects.toMatchObject({ status: 404 });
		kept(await keepDraft(mine, wire('Harbour two', written(temperamentById('barnes').tuning)), false, stored));
		expect((await temperamentOr404(me, slug)).tuning).toEqual(temperamentById('barnes').tuning);
		// Changing through another workshop's hands does nothing.
		// Somebody who had opened the version before is asked.
		const again = await temperamentOr404(me, slug);
		const late = await keepDraft(mine, wire('Harbour three'), false, again, stored.version);
		expect(late).toMatchObject({ kind: 'ask', questions: [expect.stringContaining('changed on another device')] });
		expect((await temperamentOr404(me, slug)).name).toBe('Harbour two');
		await keepDraft(theirs, wire('Stolen'), false, stored);
		expect((await temperamentOr404(me, slug)).name).toBe('Harbour two');
	});

	it('refuses names that are taken, by case and accent too, and what does not close', async () => {
		kept(await keepDraft(mine, wire('Ebb'), false));
		expect(problems(await keepDraft(mine, wire('EBB'), false))).toContain('“EBB” already');
		expect(problems(await keepDraft(mine, wire('Vallotti'), false))).toContain('already');
		expect(problems(await keepDraft(mine, wire('Tempérament Ordinaire'), false))).toContain('already');
		const open = { by: 'fifths' as const, fifths: new Array(12).fill('pure') };
		expect(problems(await keepDraft(mine, wire('Open', open), false))).toContain('do not close');
		expect(problems(await keepDraft(mine, { name: 'Odd' }, false))).toBeTruthy();
		expect(problems(await keepDraft(mine, null, false))).toBeTruthy();
		expect((await listTemperaments(me)).some(({ name }) => ['Open', 'Odd'].includes(name))).toBe(false);
		kept(await keepDraft(theirs, wire('Ebb'), false));
	});

	it('asks before it keeps an offset beyond a semitone', async () => {
		const far = { by: 'cents' as const, offsets: [130, ...new Array(11).fill(0)] };
		const asked = await keepDraft(mine, wire('Far', far), false);
		expect(asked).toMatchObject({ kind: 'ask' });
		expect((await listTemperaments(me)).some(({ name }) => name === 'Far')).toBe(false);
		kept(await keepDraft(mine, wire('Far', far), true));
	});

	it('brings in all of a file or nothing', async () => {
		const draft = (name: string) => ({ ...temperamentById('kellner'), name });
		const before = (await listTemperaments(me)).length;
		const half = toJson([draft('New one'), draft('Vallotti')]);
		expect(problems(await importText(mine, half, { confirmed: false, rename: false }))).toMatch(/Line \d+: .*Vallotti/);
		expect((await listTemperaments(me)).length).toBe(before);
		const slugs = kept(await importText(mine, half, { confirmed: false, rename: true }));
		const names = await Promise.all(slugs.map(async (slug) => (await temperamentBySlug(me, slug))!.name));
		expect(names).toEqual(['New one', 'Vallotti (2)']);
		expect(problems(await importText(mine, '{', { confirmed: false, rename: false }))).toContain('Line 1');
	});

	it('of one file brought in six times at once, all comes in once', async () => {
		const file = toJson(['Race a', 'Race b', 'Race c'].map((name) => ({ ...temperamentById('kellner'), name })));
		const answers = await Promise.all(
			Array.from({ length: 6 }, () => importText(mine, file, { confirmed: false, rename: false }))
		);
		expect(answers.map(({ kind }) => kind).sort()).toEqual(['kept', ...Array<string>(5).fill('refused')]);
		const names = (await listTemperaments(me)).map(({ name }) => name).filter((name) => name.startsWith('Race '));
		expect(names).toEqual(['Race a', 'Race b', 'Race c']);
	});

	it('deletes what nothing rests on, and keeps the rest', async () => {
		const [slug] = kept(await keepDraft(mine, wire('Short lived'), false));
		const { id } = await temperamentOr404(me, slug);
		const octave = {
			instrumentId: null,
			kind: 'upright' as const,
			temperamentId: id,
			a4: 440,
			stretch: { by: 'priority', lead: 'balanced' } as const,
			low: 53,
			reference: 57,
			ear: 'careful' as const,
			counts: [{ lower: 53, upper: 57, rate: 6.9, sense: 'wide' as const, by: 'ear' as const }],
			verdict: 'Fine.'
		};
		const octaveId = await saveCountedOctave(me, octave);
		expect(await getCountedOctave(me, octaveId)).toMatchObject(octave);
		expect(await getCountedOctave(other, octaveId)).toBeUndefined();
		expect(await listCountedOctaves(other)).toEqual([]);
		expect(await deleteOwn(mine, await temperamentOr404(me, slug))).toBe(1);
		expect(await temperamentBySlug(me, slug)).toBeDefined();
		const [free] = kept(await keepDraft(mine, wire('Free'), false));
		expect(await deleteOwn(theirs, await temperamentOr404(me, free))).toBe(0);
		expect(await temperamentBySlug(me, free)).toBeDefined();
		expect(await deleteOwn(mine, await temperamentOr404(me, free))).toBe(0);
		expect(await temperamentBySlug(me, free)).toBeUndefined();
	});
});

describe('taking away', () => {
	it('gives MIDI tuning at the pitch and root asked for', async () => {
		const vallotti = (await temperamentBySlug(me, 'vallotti'))!;
		const answer = download(vallotti, 'syx', { root: 2, a4: 415 });
		expect(answer.headers.get('content-disposition')).toBe('attachment; filename="vallotti.syx"');
		const keys = readTuningMessage(new Uint8Array(await answer.arrayBuffer()))!;
		const offsets = offsetsFromEqual(transposed(temperamentById('vallotti'), 2));
		for (let key = 21; key <= 108; key++) {
			const cents = 100 * (keys.get(key)! - key);
			expect(Math.abs(cents - offsets[key % 12] - 1200 * Math.log2(415 / 440))).toBeLessThan(0.0031);
		}
		const notes = readTuningMessage(
			new Uint8Array(await download(vallotti, 'notes', { root: 0, a4: 440 }).arrayBuffer())
		);
		expect(notes!.size).toBe(127);
		expect(await download(vallotti, 'csv', { root: 0, a4: 440 }).text()).toContain('Vallotti,5.865003,0,1.955001,');
	});
});

describe('what an address says of instrument and temperament', () => {
	it('is taken where it makes sense and passed over where not', async () => {
		const plain = await loadTuning(me, {});
		expect(plain).toMatchObject({ kind: 'upright', lowest: 21, highest: 108, a4: 440, instrument: undefined });
		expect(plain.temperament.slug).toBe('equal');
		const odd = await loadTuning(me, { instrument: 'x', kind: 'banjo', temperament: 'none', a4: '9999' });
		expect(odd).toMatchObject({ kind: 'upright', a4: 440 });
		const early = await loadTuning(me, { kind: 'harpsichord', temperament: 'vallotti', a4: '415' });
		expect(early).toMatchObject({ kind: 'harpsichord', lowest: 29, a4: 415, stretch: { by: 'none' } });
		expect(await loadTuning(me, { stretch: 'balanced' })).toMatchObject({
			stretch: { by: 'priority', lead: 'balanced' }
		});
		expect(await loadTuning(me, { stretch: 'more' })).toMatchObject({ stretch: { by: 'none' } });
		expect(early.temperament.name).toBe('Vallotti');
	});
});

describe('the library by pages', () => {
	const rows = (count: number) =>
		`name,C,C#,D,Eb,E,F,F#,G,G#,A,Bb,B\n${Array.from({ length: count }, (_, i) => `Tide ${i},${i / 100},0,0,0,0,0,0,0,0,0,0,0`).join('\n')}`;
	it('shows the workshop’s own first, then the library, each once, and finds by words and character', async () => {
		const full = await newWorkshop();
		const bring = (count: number) => importText(full, rows(count), { confirmed: true, rename: true });
		kept(await bring(150));
		expect(problems(await bring(51))).toContain('200 temperaments of its own at most');
		kept(await bring(50));
		expect(problems(await bring(1))).toContain('Delete some');
		expect(problems(await keepDraft(full, wire('One more'), true))).toContain('Delete some');
		const seen: string[] = [];
		for (let after: number | undefined = 0; after !== undefined;) {
			const page = await libraryPage(full.workshopId, libraryAsked.parse({ after }));
			expect(page.temperaments.length).toBeLessThanOrEqual(60);
			seen.push(...page.temperaments.map(({ slug, own }) => `${own} ${slug}`));
			after = page.next;
		}
		const all = await listTemperaments(full.workshopId);
		expect(seen.slice(0, 200).every((each) => each.startsWith('true'))).toBe(true);
		expect([...seen].sort()).toEqual(all.map(({ own, slug }) => `${own} ${slug}`).sort());
		const found = async (asked: object) =>
			(await libraryPage(full.workshopId, libraryAsked.parse(asked))).temperaments.map(({ name }) => name);
		expect(await found({ find: 'TIDE 147' })).toEqual(['Tide 147']);
		expect(await found({ find: 'vallotti', character: 'well' })).toContain('Vallotti');
		expect(await found({ find: 'vallotti', character: 'meantone' })).toEqual([]);
		// What makes no sense counts as not said.
		expect((await found({ character: 'loud', use: 7, after: -3, find: ['a'] })).length).toBe(60);
	});
});
