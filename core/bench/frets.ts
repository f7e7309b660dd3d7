import { quantile } from 'd3-array';
import {
	afterMove,
	centsBetween,
	createRandom,
	fretGroup,
	fretMap,
	fretTargets,
	hz,
	neckById,
	neckStanding,
	pitchFall,
	PluckListener,
	renderPluck,
	soundedPitch,
	temperamentById,
	UNMOVED_NECK,
	USUAL_PLUCK,
	type FretReading,
	type LastingReading,
	type MovedNeck,
	type Neck
} from '../src';
import { bent, playNote, PLAYED_RATE, type Played } from './played';

/*
 * npm run bench -- frets: plucked strings, simulated and recorded, and frets of a simulated viol moved by advice. Prints JSON.
 */
const COUNT = 120;
const RATE = 48_000;

/** Simulated plucks from E2 to E5, against what they were made with at each moment. */
function simulated() {
	const random = createRandom(31);
	const off: Record<number, number[]> = { 0.1: [], 0.5: [], 1.5: [] };
	let [honest, all] = [0, 0];
	for (let i = 0; i < COUNT; i++) {
		const pitch = 82.41 * 2 ** (3 * random.uniform());
		const pluck = {
			...{ ...USUAL_PLUCK, pitch, seed: i + 1, sharp: 8 * random.uniform(), noise: 45 + 10 * random.uniform() },
			...{ inharmonicity: 10 ** (-5 + 1.2 * random.uniform()), at: 0.12 + 0.15 * random.uniform() },
			...{ rings: 0.9 + random.uniform(), settles: 0.15 + 0.2 * random.uniform() }
		};
		const fall = pitchFall(renderPluck(pluck, RATE), RATE, pitch * 2 ** ((25 * random.normal()) / 1200));
		for (const { moment, pitch: told, error } of fall?.at ?? []) {
			const truth = hz(pitch * 2 ** ((pluck.sharp * Math.exp(-moment / pluck.settles)) / 1200));
			const stray = Math.abs(centsBetween(truth, told));
			off[moment].push(stray);
			all++;
			if (stray < 2 * error) honest++;
		}
	}
	return {
		moments: Object.entries(off).map(([moment, strays]) => ({
			moment: Number(moment),
			read: strays.length,
			high: quantile(strays, 0.95)!
		})),
		withinTwo: honest / all
	};
}

function readPlucked(sound: Float32Array): LastingReading | undefined {
	const listener = new PluckListener(PLAYED_RATE);
	const all = new Float32Array(sound.length + PLAYED_RATE);
	const random = createRandom(8);
	all.set(sound, 0.4 * PLAYED_RATE);
	for (let i = 0; i < all.length; i++) all[i] += 1e-4 * random.normal();
	for (const event of [...listener.push(all), ...listener.end()]) if (event.kind === 'reading') return event.reading;
	return undefined;
}

/** Recorded guitars and a harpsichord, every minor third: read, no octave, and moved by known cents. */
function recorded(instrument: Played, lowest: number, highest: number) {
	const random = createRandom(5);
	const off: number[] = [];
	let [all, read, octaves] = [0, 0, 0];
	for (let note = lowest; note <= highest; note += 3) {
		all++;
		const clean = playNote(instrument, note);
		const reference = readPlucked(clean);
		if (!reference) continue;
		read++;
		const equal = 440 * 2 ** ((note - 69) / 12);
		if (Math.abs(1200 * Math.log2(reference.pitch / equal)) > 600) octaves++;
		const by = 60 * (random.uniform() - 0.5);
		const told = readPlucked(bent(clean, () => by));
		if (told) off.push(Math.abs(centsBetween(reference.pitch, told.pitch) - by));
	}
	return { instrument, all, read, octaves, high: quantile(off, 0.95)! };
}

const A4 = hz(415);
const BASS: Neck = { ...neckById('bass')!.neck, places: [] };

/** A viol that nobody has built, surveyed with an error, moved once by advice, read again, moved again. */
function moved(temperament: string, error: number) {
	const targets = new Map(
		fretTargets(BASS, { a4: A4, temperament: temperamentById(temperament) }).map(({ group, pitch }) => [group, pitch])
	);
	const wanted = (string: number, fret: number) =>
		centsBetween(targets.get(fretGroup(string))!, targets.get(fretGroup(string, fret))!);
	const random = createRandom(17);
	const strays: number[] = [];
	let [said, beyond, notes] = [0, 0, 0];
	for (let seed = 1; seed <= 60; seed++) {
		const twin = { kind: 'frets', seed } as const;
		const read = (moves: MovedNeck, by: number): FretReading[] =>
			BASS.strings.flatMap((_, i) =>
				Array.from({ length: BASS.frets }, (_, k) => k + 1).map((fret) => {
					const of = { twin, neck: BASS, moved: moves, a4: A4 };
					const above = centsBetween(soundedPitch(of, fretGroup(i + 1)), soundedPitch(of, fretGroup(i + 1, fret)));
					return {
						string: i + 1,
						fret,
						off: above - wanted(i + 1, fret) + by * random.normal(),
						error: Math.max(0.05, by)
					};
				})
			);
		const before = neckStanding(BASS, wanted, read(UNMOVED_NECK, error));
		const map = fretMap(BASS, before, { step: 0.5, within: 3 });
		const frets = Object.fromEntries(map.map(({ fret, line }) => [fret, line.move]));
		let told = before;
		for (const { fret, line } of map) told = afterMove(BASS, told, fret, line.move);
		const truth = read({ pegs: {}, frets }, 0);
		for (const { string, fret, off } of truth) {
			const predicted = told.notes.find((note) => note.string === string && note.fret === fret)!.off;
			strays.push(Math.abs(predicted - off));
			notes++;
			if (Math.abs(off) <= 3) continue;
			if (map[fret - 1].cannot.includes(string)) said++;
			else beyond++;
		}
	}
	return { temperament, error, notes, high: quantile(strays, 0.95)!, said, beyond };
}

console.log(
	JSON.stringify({
		count: COUNT,
		...{
			simulated: simulated(),
			moved: ['equal', 'vallotti', 'meantone-sixth'].flatMap((each) => [0, 0.2].map((error) => moved(each, error)))
		},
		recorded: [recorded('nylonGuitar', 40, 79), recorded('steelGuitar', 40, 79), recorded('harpsichord', 36, 84)]
	})
);
