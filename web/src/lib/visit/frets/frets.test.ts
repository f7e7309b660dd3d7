import 'fake-indexeddb/auto';
import { fretGroup, hz, neckById, soundedPitch, stringSounder, UNMOVED_NECK, type Neck } from '@fendrel/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { FIRST_FRET_PLAN, fretPlanOf, fretPlanWords } from '../fretPlan';
import { FretVisit } from '../fretVisit.svelte';
import { agreedNotes } from './agreement';
import { fretAccount } from './fretAccount';
import { heldNeck } from './inventedNeck';
import { conflictWords, foundHeadline, halfWords, moveWords, shownFrets, stringWords } from './fretWords';

const NECK: Neck = { ...neckById('bass')!.neck, places: [] };
const TWIN = { kind: 'frets', seed: 3 } as const;
let open: FretVisit;
function read(group: number, moved = UNMOVED_NECK) {
	const pitch = soundedPitch({ twin: TWIN, neck: NECK, moved, a4: hz(415) }, group);
	const target = open.targetOf(group)!;
	const deviation = 1200 * Math.log2(pitch / target);
	const measured = {
		...{ from: 0, to: 2, pitch, error: 0.1, level: -20, softest: -22, wobble: 1, drift: 0 },
		...{ slope: undefined, partner: undefined }
	} as unknown as Parameters<typeof open.record.readTone>[0];
	return open.record.readTone(measured, {
		...{ sounders: [stringSounder(group)], source: 'simulated', target, deviation, setUp: 'played' }
	});
}
const all = () => [0, 1, 2, 3, 4, 5, 6, 7].flatMap((fret) => NECK.strings.map((_, i) => fretGroup(i + 1, fret)));

beforeEach(() => {
	open = new FretVisit(heldNeck(NECK, TWIN, 'vallotti', 415), false);
});

describe('a visit to a viol', () => {
	it('begins with nothing read, frets where they usually lie', () => {
		expect(foundHeadline(open)).toBe('Nothing has been read yet.');
		expect(open.isSurveyed).toBe(false);
		expect(shownFrets(open)[0].now.low).toBeCloseTo(38.7, 1);
		expect(open.tunedTo).toBe('Vallotti');
		expect(open.targetOf(2)).toBeCloseTo(207.5, 6);
	});

	it('says where each fret goes once it was read, and follows a move', () => {
		for (const group of all()) read(group);
		expect(open.isSurveyed).toBe(true);
		expect(open.strings.every(({ isRead }) => isRead)).toBe(true);
		const [first] = open.map;
		const moved = first.line.move;
		open.record.act({ do: 'fretMoved', fret: 1, ...moved });
		expect(open.string(fretGroup(3, 1))!.isRead).toBe(false);
		const [again] = open.map;
		expect(Math.abs(again.line.move.low) + Math.abs(again.line.move.high)).toBeLessThan(0.6);
		// What is sounded then is what was told.
		const frets = { 1: moved };
		for (const [i] of NECK.strings.entries()) {
			const group = fretGroup(i + 1, 1);
			const told = open.string(group)!.off!;
			read(group, { pegs: {}, frets });
			expect(Math.abs(open.string(group)!.off! - told)).toBeLessThan(0.4);
		}
	});

	it('agrees on notes that two strings give, and tells the account', () => {
		for (const group of all()) read(group);
		const notes = agreedNotes(open);
		expect(notes[0].apart).toBeDefined();
		expect(Math.abs(notes[0].apart!)).toBeGreaterThanOrEqual(Math.abs(notes.at(-1)!.apart!));
		open.record.act({ do: 'fretMoved', fret: 1, low: 1, high: 0 });
		open.record.act({ do: 'fretMoved', fret: 1, low: 0.5, high: 0.5 });
		open.record.act({ do: 'wolf', note: 53, tried: 'a mass', did: '' });
		const lines = Object.fromEntries(fretAccount(open));
		expect(lines.frets).toBe('1: Lowest end 1.5 mm to the bridge, highest end 0.5 mm to the bridge.');
		expect(lines.wolf).toBe('F3; a mass');
		expect(lines.pitch).toBe('A4 = 415.0 Hz, Vallotti');
	});

	it('asks for strings again that a far turn of another may have moved', () => {
		read(1);
		read(6);
		expect([...open.pulled]).toEqual([]);
		read(6, { pegs: { 6: 60 }, frets: {} });
		expect([...open.pulled]).toEqual([1]);
		read(1, { pegs: { 6: 60 }, frets: {} });
		expect([...open.pulled]).toEqual([]);
	});

	it('says which notes no straight fret gives, and how a second one helps', () => {
		open = new FretVisit(heldNeck(NECK, TWIN, 'meantone-quarter', 415), false);
		for (const group of all()) read(group);
		const [first] = open.map;
		expect(conflictWords(NECK, first)).toMatch(/^Fret 1: C♯3 on C3 and G♯2 on G2 would have it nearer the nut than/);
		open.replan({ frets: { ...FIRST_FRET_PLAN, spelled: [fretGroup(4, 1), fretGroup(6, 1)] } });
		expect(halfWords(NECK, open.map[0])).toMatch(/^A second fret beneath G2 and D2 only, .* nearer the nut/);
		open.replan({ frets: { ...FIRST_FRET_PLAN, spelled: [fretGroup(4, 1), fretGroup(5, 1)] } });
		expect(open.map[0].conflict).toBeUndefined();
		expect(fretPlanWords(fretPlanOf(open.frets))).toBe(
			'from the highest string down, 2 notes spelled otherwise and in steps of 0.5 mm'
		);
	});
});

describe('words', () => {
	it('say a move as a colleague would', () => {
		expect(moveWords({ low: 0, high: 0 })).toBe('Leave it where it is.');
		expect(moveWords({ low: 1.9, high: -0.4 })).toBe('Lowest end 1.9 mm to the bridge, highest end 0.4 mm to the nut.');
		expect(moveWords({ low: 1, high: 1 })).toBe('Both ends 1.0 mm to the bridge.');
		expect(moveWords({ low: -1.5, high: 0 })).toBe('Lowest end 1.5 mm to the nut; the highest stays.');
	});

	it('say what to do with a string', () => {
		const string = { ...open.string(1)!, off: -3.2, isSet: false };
		expect(stringWords(string, 1, NECK)).toBe('Raise 3.2 cents.');
		expect(stringWords({ ...string, off: 0.4 }, 1, NECK)).toMatch(/^It stands/);
		expect(stringWords({ ...string, off: undefined }, 1, NECK)).toBe('A long even bow, as loud as you play.');
		expect(stringWords({ ...string, off: undefined }, 1, { family: 'lute' })).toBe(
			'Pluck it as you play, and let it ring.'
		);
	});
});
