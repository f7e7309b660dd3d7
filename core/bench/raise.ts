/* Figures of raises on simulated pianos, as one JSON object on standard output: run by scripts/bench.mjs. */
import {
	createRandom,
	forNextRaise,
	learn,
	NOTHING_LEARNED,
	raiseOrder,
	runningPass,
	setPoints,
	type FoundNote,
	type LearnedCoupling,
	type PassEvent,
	type RaiseSchool,
	type Sunk
} from '../src/index';
import {
	bodiedPiano,
	coupledPiano,
	hiddenCoupling,
	noteToRaise,
	NOTES,
	type RaisedPiano
} from '../fixtures/raisedPianos';

/** Pianos of each kind. */
const PIANOS = Number(process.env.FENDREL_BENCH_PIANOS ?? 40);
/** Notes are scattered about the drop, and a note that was not read errs by more than its neighbours do. */
const SCATTER = 1;
const GUESSED = 1.3;
const READ = 0.2;
const CAP = { most: 30, by: 'rule' } as const;
const TRIALS = [27, 39, 51, 63, 75, 87, 99];
/** A note that was set so many notes ago is read again at every eighth. */
const AGAIN = { every: 8, back: 14, atEnd: 3 } as const;

type Way = RaiseSchool | 'learning' | 'trial';
type Drop = (note: number) => number;

const even =
	(cents: number): Drop =>
	() =>
		cents;
const uneven: Drop = (note) => (note < 44 ? 10 : note < 60 ? 25 : note < 84 ? 30 : 50);

interface Raise {
	readonly rms: number;
	readonly learned: LearnedCoupling;
}

function survey(piano: RaisedPiano, strikes: number): FoundNote[] {
	const step = (NOTES.length - 1) / (strikes - 1);
	const read = new Map(
		Array.from({ length: strikes }, (_, i) => NOTES[Math.round(i * step)]).map((n) => [n, piano.read(n)])
	);
	const notes = [...read.keys()];
	return NOTES.map((note) => {
		const own = read.get(note);
		const [below, above] = [notes.filter((n) => n <= note).at(-1)!, notes.find((n) => n >= note)!];
		const share = above === below ? 0 : (note - below) / (above - below);
		const found = own ?? (1 - share) * read.get(below)! + share * read.get(above)!;
		return { ...noteToRaise(note), found, error: own === undefined ? GUESSED : READ, target: 0, bound: CAP };
	});
}

function rms(values: readonly number[]): number {
	return Math.sqrt(values.reduce((sum, value) => sum + value * value, 0) / values.length);
}

/** One pass on one piano; what is read on the way goes into the record of the pass. */
function raise(piano: RaisedPiano, way: Way, known: LearnedCoupling, strikes: number, allAtEnd = false): Raise {
	let before = known;
	if (way === 'trial') before = trialRaise(piano, known, strikes);
	const found = survey(piano, strikes);
	const order = raiseOrder('bassFirst', NOTES);
	const notes = order.map((note) => found[note - NOTES[0]]);
	const school: RaiseSchool = way === 'learning' || way === 'trial' ? 'coupled' : way;
	const fixed = new Map(
		setPoints(
			school,
			notes.map((each) => ({ ...each, now: each.found })),
			before
		).map((point) => [point.note, point.setTo])
	);
	const events: PassEvent[] = [];
	const learns = way === 'learning' || way === 'trial';
	order.forEach((note, i) => {
		const at = piano.read(note);
		events.push({ kind: 'read', note, at });
		const to = learns
			? runningPass(notes, events, before).next[0].setTo
			: way === 'half'
				? Math.min(-at / 2, CAP.most)
				: fixed.get(note)!;
		events.push({ kind: 'set', note, at: piano.set(note, to) });
		if (learns && i >= AGAIN.back && i % AGAIN.every === 0)
			events.push({ kind: 'read', note: order[i - AGAIN.back], at: piano.read(order[i - AGAIN.back]) });
	});
	piano.wait();
	for (const note of order.filter((_, i) => allAtEnd || i % AGAIN.atEnd === 0))
		events.push({ kind: 'read', note, at: piano.read(note) });
	const learned = learns ? runningPass(notes, events, before).learned : before;
	return { rms: rms(piano.standing()), learned };
}

/** One string of one note an octave is raised, ten minutes pass, and the survey is read once more. */
function trialRaise(piano: RaisedPiano, known: LearnedCoupling, strikes: number): LearnedCoupling {
	const found = survey(piano, strikes);
	const raised = TRIALS.map((note) => ({ note: { ...noteToRaise(note), strings: 1 }, by: piano.trial(note, 0) }));
	piano.wait();
	const seen: Sunk[] = found
		.filter(({ note, error }) => error === READ && !TRIALS.includes(note))
		.map((each) => ({
			note: each,
			sunk: each.found - piano.read(each.note),
			error: READ,
			since: raised,
			own: undefined
		}));
	raised.forEach(({ note, by }, i) =>
		seen.push({ note, sunk: -piano.readTrial(note.note), error: READ, since: raised.slice(i + 1), own: by })
	);
	return learn(known, seen, known.raises);
}

const quantile = (values: readonly number[], share: number) =>
	[...values].sort((a, b) => a - b)[Math.round(share * (values.length - 1))];
const figures = (values: readonly number[]) => ({ median: quantile(values, 0.5), high: quantile(values, 0.95) });

type Make = (seed: number, drop: Drop) => RaisedPiano;
function found(drop: Drop, seed: number): (note: number) => number {
	const random = createRandom(seed * 17 + 3);
	const scattered = NOTES.map((note) => -drop(note) + SCATTER * random.normal());
	return (note) => scattered[note - NOTES[0]];
}
const planned =
	(within: number): Make =>
	(seed, drop) => {
		const random = createRandom(seed);
		return coupledPiano(hiddenCoupling(random, within), found(drop, seed), random);
	};
const other: Make = (seed, drop) => bodiedPiano(seed, found(drop, seed), createRandom(seed));

function over(make: Make, drop: Drop, way: Way, { strikes = 28, passes = 1 } = {}) {
	const left: number[] = [];
	for (let seed = 1; seed <= PIANOS; seed++) {
		const piano = make(seed, drop);
		let result = raise(piano, way, NOTHING_LEARNED, strikes);
		for (let pass = 2; pass <= passes; pass++)
			result = raise(piano, way === 'trial' ? 'learning' : way, forNextRaise(result.learned), strikes);
		left.push(result.rms);
	}
	return figures(left);
}

/** The next raise of the same piano, which has sunk again. */
function next(within: number, drop: Drop) {
	const left: number[] = [];
	for (let seed = 1; seed <= PIANOS; seed++) {
		const learned = raise(planned(within)(seed, drop), 'learning', NOTHING_LEARNED, 28, true).learned;
		left.push(raise(planned(within)(seed, drop), 'learning', forNextRaise(learned), 28).rms);
	}
	return figures(left);
}

const WAYS: readonly Way[] = ['half', 'shares', 'coupled', 'learning', 'trial'];
const schools = (make: Make, drop: Drop) => WAYS.map((way) => ({ way, ...over(make, drop, way) }));

const result = {
	pianos: PIANOS,
	even: [0.2, 0.5].map((within) => ({
		within,
		ways: schools(planned(within), even(40)),
		next: next(within, even(40))
	})),
	uneven: schools(planned(0.2), uneven),
	other: schools(other, even(40)),
	otherUneven: schools(other, uneven),
	small: over(planned(0.2), even(15), 'learning'),
	large: [80, 150].map((cents) => ({
		cents,
		passes: [1, 2].map((passes) => over(planned(0.2), even(cents), 'learning', { passes }))
	})),
	lowered: over(planned(0.2), even(-8), 'learning'),
	surveys: [7, 13, 28].map((strikes) => ({
		strikes,
		coupled: over(planned(0.2), uneven, 'coupled', { strikes }),
		learning: over(planned(0.2), uneven, 'learning', { strikes })
	}))
};
console.log(JSON.stringify(result));
