import 'fake-indexeddb/auto';
import { fretGroup, hz, neckById, soundedPitch, stringSounder, type Neck, type Sounding } from '@fendrel/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { fretsSchema } from '$lib/record/fretActs';
import { heldNeck } from '../frets/inventedNeck';
import { fretPlanOf, fretPlanWords } from '../fretPlan';
import { GuitarVisit } from '../guitarVisit.svelte';
import { shownChords } from './chordPrices';
import { guitarAccount } from './guitarAccount';
import { guitarHeadline, luthierLines, offsetsHeadline, soundWords } from './guitarWords';
import { sheetCsv, sheetLines } from './offsetSheet';

const NECK: Neck = { ...neckById('steelGuitar')!.neck, places: [], capo: 2 };
const TWIN = { kind: 'frets', seed: 9 } as const;
const CAPO: Sounding = { fret: 0, capo: 2, touch: 0, isHarmonic: false };

let open: GuitarVisit;
/** A string is read as the simulated guitar sounds it, softly; its peg was turned by so many cents. */
function read(string: number, how: Sounding, setUp: 'measured' | 'played', peg = 0) {
	const group = fretGroup(string, how.fret);
	const of = { twin: TWIN, neck: NECK, a4: hz(440), moved: { pegs: { [string]: peg }, frets: {} } };
	const pitch = soundedPitch(of, group, how);
	const target = setUp === 'played' ? open.targetOf(string)! : pitch;
	const wanted = open.targetAt(string, how);
	const measured = {
		...{ from: 0, to: 2, pitch, error: 0.1, level: -20, softest: -22, wobble: 0, drift: 0 },
		...{ slope: undefined, partner: undefined }
	} as unknown as Parameters<typeof open.record.readTone>[0];
	const { fret: _, ...plucked } = how;
	const deviation = setUp === 'played' ? 1200 * Math.log2(pitch / wanted) : 0;
	return open.record.readTone(measured, {
		...{ sounders: [stringSounder(group)], source: 'simulated', target, deviation, setUp, plucked }
	});
}
function measureAll() {
	for (const [i] of NECK.strings.entries())
		for (const how of open.ways) if (how.touch === 0) read(i + 1, how, 'measured');
}

beforeEach(() => {
	open = new GuitarVisit(heldNeck(NECK, TWIN, 'equal', 440), false);
});

describe('a visit to a guitar', () => {
	it('begins with the chords that most players know, over its capo, and nothing read', () => {
		expect(guitarHeadline(open)).toBe('Nothing has been read yet.');
		expect(open.offsets.chords.map(({ name }) => name)).toContain('Em');
		expect(open.offsets.chords.every(({ capo }) => capo === 2)).toBe(true);
		expect(open.now).toBeUndefined();
		expect(luthierLines(NECK, open.measured)).toEqual([]);
		expect(open.ways.map(soundWords)).toHaveLength(6);
	});

	it('tells offsets that make its chords rest, and what they rest on', () => {
		measureAll();
		expect(open.isMeasured).toBe(true);
		const worst = (table: readonly number[]) => Math.max(...open.pricesOf(table).map(({ beats }) => beats));
		expect(worst(open.best)).toBeLessThan(worst(open.now!));
		expect(offsetsHeadline(open)).toMatch(
			/^With these offsets the roughest chord, \w+, beats [\d.]+ times a second; as it stands, [\d.]+\.$/
		);
		const chords = shownChords(open);
		expect(chords.map(({ then }) => then)).toEqual([...chords.map(({ then }) => then)].sort((a, b) => b - a));
	});

	it('keeps offsets under a name and is tuned to them, with the capo on as without', () => {
		measureAll();
		const offsets = [-2, -3, -4, -5, -6, -7];
		open.plan({ kept: [{ name: 'Deck', offsets, capo: 2, touch: 0 }], use: 'Deck', touch: 0 });
		expect(open.used).toEqual(offsets);
		// Turned to where its offset is, a string stands there, however it is plucked.
		const by = (string: number) => offsets[string - 1] - open.measured[string - 1].open.cents;
		for (const string of [1, 6]) {
			read(string, CAPO, 'played', by(string));
			expect(Math.abs(open.string(string)!.off!)).toBeLessThan(0.5);
		}
		// Read over the capo, it is on record as the open string that it is.
		const { id } = read(1, CAPO, 'played', by(1));
		open.record.act({
			...{ do: 'accept', sounders: [stringSounder(1)], purpose: 'set', pass: 1, reading: id },
			...{ setTo: 330, final: 330, plan: null }
		});
		const { figure } = open.record.groups.get(1)!.left!;
		expect(Math.abs(1200 * Math.log2(figure!.pitch / open.targetOf(1)!))).toBeLessThan(0.5);
		expect(fretPlanWords(fretPlanOf(open.record.report.plan!.frets))).toBe(
			'the offsets “Deck”, played softly, capo at 2'
		);
		expect(guitarAccount(open).find(([term]) => term === 'offsets')![1]).toBe(
			'E4 −2.0, B3 −3.0, G3 −4.0, D3 −5.0, A2 −6.0 and E2 −7.0'
		);
	});

	it('forgets a string that broke: the one that is put on in its place is another', () => {
		measureAll();
		const [pluck] = open.ways;
		open.record.act({
			...{ do: 'accept', sounders: [stringSounder(3)], purpose: 'set', pass: 1, reading: null },
			...{ setTo: 196, final: 196, plan: null }
		});
		expect(open.string(3)).toMatchObject({ isSet: true, isBroken: false, isRead: true });
		open.record.act({ do: 'broke', sounder: stringSounder(3) });
		expect(open.string(3)).toMatchObject({ isSet: false, isBroken: true, isRead: false, off: undefined });
		expect(open.string(2)!.isRead).toBe(true);
		expect(open.now).toBeUndefined();
		expect(guitarAccount(open)).toContainEqual(['broke', 'third string']);
		read(3, pluck, 'measured', -40);
		expect(open.string(3)).toMatchObject({ isSet: false, isBroken: false, isRead: true });
		expect(open.measured[2].pluck.error).toBeGreaterThan(3);
	});

	it('is taken away as a table: cents open and as it is played, and what sounds', () => {
		measureAll();
		const lines = sheetLines(open);
		expect(lines[0].sounds).toBe('F♯4');
		expect(lines.every(({ open: soft, played }) => played > soft)).toBe(true);
		const [heading, first, ...rest] = sheetCsv(open).trim().split('\n');
		expect(heading).toBe('string,"open, cents","capo 2 as played, cents",sounds,Hz');
		expect(first.startsWith('E4,')).toBe(true);
		expect(rest).toHaveLength(5);
	});
});

describe('offsets at the door', () => {
	const plan = (offsets: object) => ({
		...{ order: 'fromTop', spelled: [], weights: [], keys: '', step: 0.5 },
		offsets: { capo: 2, touch: 0.5, step: 0.5, chords: [], kept: [], use: '', ...offsets }
	});
	it('are refused where nobody could tune to them', () => {
		expect(fretsSchema.safeParse(plan({})).success).toBe(true);
		const chord = { name: 'C', fingering: 'x32010', capo: 0, weight: 1 };
		for (const wrong of [
			{ capo: 30 },
			{ touch: 2 },
			{ chords: [{ ...chord, name: ' ' }] },
			{ chords: [{ ...chord, weight: -1 }] },
			{ kept: [{ name: 'x', offsets: [1000], capo: 0, touch: 0 }] }
		])
			expect(fretsSchema.safeParse(plan(wrong)).success).toBe(false);
	});
});
