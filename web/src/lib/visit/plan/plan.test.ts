import {
	BLANK_BRIEF,
	createRandom,
	hz,
	hzAbove,
	cents,
	sounderId,
	temperamentById,
	THRESHOLD_SCHOOLS,
	usualStringing,
	USUAL_HABITS,
	type SounderId,
	type StringReading
} from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import { planFor } from '$lib/tuning/plan';
import { itemSchema } from '$lib/record/record';
import type { Made } from '$lib/handover/outbox';
import { briefOf } from '../brief';
import type { KeyboardVisit } from '../keyboardVisit.svelte';
import { VisitRecord, type NewAct } from '../visitRecord.svelte';
import { asksForRaise, judge, notesToRaise, passesOf } from './judgement';
import { USUAL_RAISE, USUAL_SETTINGS } from '$lib/settings/settings';
import { ownersPage } from './makeOwnersPage';
import { ownersPageSchema } from './ownersPage';
import { effort } from './effort';
import { seasonWords } from '../seasonWords';
import { headline, reasons, shifted } from './verdictWords';

const temperament = { ...temperamentById('equal'), name: 'Equal' };
const today = new Date('2026-07-14T09:00:00');

/** A visit whose notes were found so many cents from a plan. */
function visitWith(levelOf: (note: number) => number, { step = 1, a4 = 440, scatter = 0.3 } = {}) {
	const made: Made[] = [];
	let counter = 0;
	const stamp = () => ({ id: uuid(), device: uuid(), counter: ++counter, at: Date.UTC(2026, 6, 14) + counter });
	const record = new VisitRecord(uuid(), [], {
		stamp,
		add: async (_, all) => void made.push(...all),
		placed: (_, at) => at
	});
	const strung = { kind: 'upright', lowest: 21, highest: 108 } as const;
	const plan = planFor({ ...strung, a4, temperament, measured: [] });
	const at440 = planFor({ ...strung, a4: 440, temperament, measured: [] });
	const random = createRandom(5);
	const found = (note: number, off: number, sounders: SounderId[], spread: number | null = null) => {
		const target = at440.targetOf(note)!.pitch;
		const measured: StringReading = {
			...{ note, struckAt: 0, moment: 0.5, pitch: hzAbove(target, cents(off)), pitchError: cents(0.05) },
			...{ flexiblePitch: target, inharmonicity: undefined, inharmonicityError: undefined, partials: [] }
		};
		const kept = record.read(measured, {
			sounders,
			source: 'simulated',
			target,
			deviation: off,
			spread,
			spreadError: 0.1
		});
		const rest = { pass: 1, setTo: null, final: null, plan: null };
		record.act({ do: 'accept', sounders, purpose: 'found', reading: kept.id, ...rest });
	};
	for (let note = 21; note <= 108; note += step)
		found(note, levelOf(note) + scatter * random.normal(), [sounderId(note, 'middle')]);
	const open = {
		instrument: {
			...strung,
			...{ id: uuid(), name: 'Sail loft upright', usualA4: 440 },
			stringing: usualStringing('upright', 21, 108),
			location: { name: 'The Sail Loft', town: 'Saltmarsh Quay' }
		},
		visit: { id: record.visitId, a4, tolerance: 1, startedAt: today },
		...{ plan, record, temperament, about: { habits: USUAL_HABITS }, outOfLine: new Set<number>() }
	} as unknown as KeyboardVisit;
	return { open, record, found, made, act: (act: NewAct) => record.act(act) };
}
const said = (open: KeyboardVisit) => {
	const judgement = judge(open)!;
	const passes = asksForRaise(judgement.verdict) ? passesOf(open, judgement, USUAL_RAISE) : [];
	return { judgement, passes, headline: headline(judgement, passes.length, today) };
};

describe('the verdict of a plan', () => {
	it('says nothing while nothing was read', () => expect(judge(visitWith(() => 0, { step: 100 }).open)?.read).toBe(1));

	it('raises a neglected upright, with its reasons and figures', () => {
		const { open } = visitWith((note) => (note < 44 ? -24 : -31), { step: 3 });
		const { judgement, passes, headline } = said(open);
		expect(headline).toBe('Raise it in one pass, then tune.');
		const [first] = reasons(judgement, passes, 440);
		expect(first.text).toMatch(/^The \w+ stands worst: 3\d\.\d cents flat \(bass −24/);
		expect(judgement.price.strings).toBe(judgement.pins.all);
		expect(shifted(440, judgement.least.shift)).toBeCloseTo(432.2, 0);
		// As the schools have it: little in the bass, a third or so in the treble.
		const over = new Map(passes[0].points.map((point) => [point.note, point.over]));
		expect(over.get(30)!).toBeLessThan(5);
		expect(over.get(96)!).toBeGreaterThan(8);
	});

	it('lowers one that stands sharp, with the sign turned and no bound', () => {
		const { open } = visitWith(() => 8);
		const { judgement, passes, headline } = said(open);
		expect(headline).toBe('Bring the pitch down first, then tune.');
		expect(Math.max(...passes[0].points.map(({ over }) => over))).toBeLessThan(0);
		expect(passes[0].held).toBe(0);
		expect(judgement.verdict.way).toBe('down');
	});

	it('comes again after a hundred cents', () =>
		expect(said(visitWith(() => -120, { step: 3 }).open).headline).toBe(
			'Raise it in two passes today, then tune. Come again between 28 July and 4 August.'
		));

	it('left 9 cents low, touches what stands out from its neighbours, at their level', () => {
		const level = (note: number) => (note === 60 ? -19 : -9);
		const { judgement } = said(visitWith(level).open);
		expect(judgement.verdict).toMatchObject({ isEven: true, strays: [60] });
		const a4 = shifted(440, judgement.least.shift);
		const there = said(visitWith(level, { a4 }).open);
		expect(there.headline).toBe('Touch 1 note: C4.');
		expect(there.judgement.pins.moved).toBe(3);
		// At 440 as planned it is brought as low as its neighbours stand, not to zero.
		const [{ note, above }] = judgement.touched;
		expect(note).toBe(60);
		expect(above).toBeCloseTo(-9, 0);
	});

	it('says what the season has done, and blames it only for what it explains', () => {
		const at = (back: number) => Date.UTC(2026, 6, 14) - back * 15_778_800_000;
		const sections = (found: number) =>
			['bass', 'tenor', 'middle', 'treble', 'top'].map((id) => ({ id, found, left: 0 }));
		// Damper and drier by turns, and the pitch with it: 0.5 cents for each per cent.
		const history = [0, 1, 2, 3, 4, 5].map((back) => ({
			...{ at: at(back + 1), sections: sections(back % 2 ? 6 : -6) },
			climate: { temperature: 20, humidity: back % 2 ? 56 : 44, by: 'typed' }
		}));
		const of = (level: number, humidity: number) => {
			const { open, act } = visitWith(() => level);
			act({ do: 'climate', temperature: 20, humidity, by: 'typed' });
			return judge({ ...open, about: { ...open.about, history } } as unknown as KeyboardVisit)!.season!;
		};
		expect(of(6, 56)).toMatchObject({ isSeasons: true, from: 5 });
		expect(seasonWords(of(6, 56))).toMatch(/rose 6\.\d cents since the last visit; 12 % damper air explains about \+5/);
		expect(of(-6, 56).isSeasons).toBe(false);
		expect(of(20, 56).isSeasons).toBe(false);
		expect(of(6, 46).isSeasons).toBe(false);
	});

	it('goes by the workshop’s own limits and rates', () => {
		const { open } = visitWith(() => -7);
		expect(said(open).headline).toBe('Correct the pitch first, then tune.');
		const [, late] = THRESHOLD_SCHOOLS;
		const home = { ...USUAL_SETTINGS.purposes.home, ...late.thresholds };
		const price = { visit: 20, note: 3, tuning: 95, pass: 40 };
		const settings = { ...USUAL_SETTINGS, price, purposes: { ...USUAL_SETTINGS.purposes, home } };
		const there = { ...open, about: { ...open.about, settings } } as unknown as KeyboardVisit;
		expect(said(there).headline).toBe('Tune it once.');
		expect(effort(there, said(there).judgement, 0)).toEqual([
			{ text: 'About 1 h 30, by the workshop’s settings', figure: '€ 115' }
		]);
		// Without a price none is named.
		expect(effort(open, said(open).judgement, 1)[0].figure).toBe('2 h');
	});

	it('leaves most strings of a half-yearly tuning as they are', () => {
		const { judgement } = said(visitWith(() => 0, { scatter: 1.6 }).open);
		expect(judgement.pins.moved).toBeGreaterThan(5);
		expect(judgement.pins.moved).toBeLessThan(60);
		expect(judgement.pins.all).toBeGreaterThan(200);
	});

	it('sets every string for a stage', () => {
		const { open, act } = visitWith(() => 0);
		act({ do: 'brief', brief: { purpose: 'stage' } });
		const { judgement, headline } = said(open);
		expect(headline).toBe('Tune it once.');
		expect(judgement.pins.moved).toBe(judgement.pins.all);
	});

	it('goes by what the last visit was for, until somebody says otherwise', () => {
		const { open, act } = visitWith(() => 0);
		const history = [
			{ sections: [], brief: { ...BLANK_BRIEF, purpose: 'stage', due: '2024-05-20', complaint: 'It growls' } }
		];
		const again = { ...open, about: { ...open.about, history } } as unknown as KeyboardVisit;
		expect(briefOf(again)).toEqual({ ...BLANK_BRIEF, purpose: 'stage' });
		expect(said(again).headline).toBe('Tune it once.');
		act({ do: 'brief', brief: { purpose: 'home' } });
		expect(said(again).headline).toMatch(/^Leave it alone/);
	});

	it('does not raise over a cracked bridge until somebody answers for it', () => {
		const { open, act } = visitWith(() => -31, { step: 3 });
		act({ do: 'part', part: 'bridges', grade: 'cracked', note: '' });
		expect(said(open).headline).toBe('Do not raise it: bridges, cracked.');
		act({ do: 'clear', part: 'bridges', grade: 'cracked', by: 'A rebuilder', reason: 'glued last year' });
		expect(said(open).headline).toBe('Raise it in one pass, then tune.');
		expect(reasons(said(open).judgement, said(open).passes, 440)[0]).toMatchObject({
			figure: 'cleared',
			isGrave: false
		});
	});

	it('keeps what open strings told when one of them is struck alone afterwards', () => {
		const { open, found } = visitWith(() => 0);
		const all = ['middle', 'left', 'right'].map((member) => sounderId(65, member));
		found(65, 0, all, 4);
		found(65, 0, [all[0]]);
		expect(said(open).judgement.verdict.unisons).toEqual([65]);
	});

	it('strains rusty wire less', () => {
		const { open, act } = visitWith(() => -80, { step: 3 });
		act({ do: 'part', part: 'treble', grade: 'lightRust', note: '' });
		const notes = notesToRaise(open, said(open).judgement, USUAL_RAISE);
		expect(notes.find(({ note }) => note === 90)!.bound).toEqual({ most: 15, by: 'wire' });
		expect(notes.find(({ note }) => note === 30)!.bound).toEqual({ most: 30, by: 'rule' });
	});
});

describe('the owner’s page', () => {
	it('says all of it in words, and fits what the server prints', () => {
		const { open, act, made } = visitWith(() => -31, { step: 3 });
		act({ do: 'consent', to: 'raise', explained: 'All of it.', by: 'Wren', from: 'the cook', given: true });
		const { judgement, passes } = said(open);
		const page = ownersPageSchema.parse(ownersPage(open, judgement, passes, USUAL_RAISE));
		expect(page.headline).toBe('Raise it in one pass, then tune.');
		expect(page.where).toBe('The Sail Loft, Saltmarsh Quay');
		expect(page.steps[0]).toBe('Pass 1: raise every string, bass first, upwards.');
		expect(page.table.rows.map(([name]) => name)).toEqual(['found', 'after pass 1']);
		expect(page.risks.join(' ')).toContain('Agreed by the cook');
		for (const { item } of made.filter(({ item }) => (item as { kind: string }).kind === 'act'))
			expect(itemSchema.safeParse(JSON.parse(JSON.stringify(item))).success).toBe(true);
	});
});

it('a string’s pitch and a pitch in hertz are the same shift', () =>
	expect(shifted(440, 1200 * Math.log2(442 / 440))).toBeCloseTo(Number(hz(442)), 9));
