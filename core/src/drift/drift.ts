import { cross } from 'd3-array';
import { cholesky, logDeterminant, solveLower } from '../numeric/cholesky';
import { inverseOf } from '../numeric/linearSystem';

/*
 * How an instrument drifts. Tunings only add to its pitch; what they add taken out, the pitch of an instrument that nobody touches is
 * left: a level, a trend, a yearly wave, what the air's humidity does, the weather of each day, and what each tuning leaves behind.
 * All of it is one Gaussian model (Rasmussen and Williams 2006, ch. 2.7: explicit basis functions with a prior), its priors those of
 * instruments of the same house and kind, whose means come from all of them (empirical Bayes: Carlin and Louis 2000, ch. 3).
 */

/** How an instrument was found and left; cents from one pitch. */
export interface DriftVisit {
	/** Milliseconds since 1970. */
	readonly at: number;
	readonly found: number;
	/** Undefined: it was not set. */
	readonly left: number | undefined;
	/** Relative humidity in percent, where somebody told it. */
	readonly humidity: number | undefined;
}
export interface DriftSeries {
	readonly id: string;
	/** Instruments of a room and a kind drift alike. */
	readonly group: string;
	/** In order of time. */
	readonly visits: readonly DriftVisit[];
}

/** Where an instrument will stand. */
export interface DriftPrediction {
	readonly cents: number;
	/** Standard error: nine of ten lie within 1.645 of them. */
	readonly error: number;
}
/** What makes it drift, each with its standard error. */
export interface DriftCauses {
	/** Cents a year. */
	readonly trend: DriftPrediction;
	/** Cents for ten percent of humidity more. */
	readonly humidity: DriftPrediction;
	/** Half of what the yearly wave goes up and down, and the day of the year on which it stands highest. */
	readonly wave: number;
	readonly highest: number;
}
export interface Drift {
	readonly causes: DriftCauses;
	/** @param humidity of that day; as usual unless given */
	readonly at: (at: number, humidity?: number) => DriftPrediction;
}

export const NINETY = 1.645;
const YEAR = 365.25 * 86_400_000;
const TURN = 2 * Math.PI;

/** Level, trend (a year), the yearly wave (cosine, sine), humidity (ten percent). */
type Row = readonly [level: number, trend: number, cosine: number, sine: number, humidity: number];
const SIZE = 5;
/** What instruments usually do: means, and how far houses differ; then instruments of one house. */
const USUAL = [0, -3, 0, 0, 3] as const;
const HOUSES_DIFFER = [30, 4, 5, 5, 2.5] as const;
const ONES_DIFFER = [30, 3, 2.5, 2.5, 1.5] as const;
/** Cents of the weather and of readings, and what a tuning leaves behind: tried, the likeliest pair is taken. */
const WEATHERS = [0.7, 1.2, 2, 3, 4.5] as const;
const REMAINS = [0.3, 0.8, 1.6, 3] as const;
const NOISES: readonly Noise[] = cross(WEATHERS, REMAINS, (weather, remains) => ({ weather, remains }));
/**
 * What the year does besides a wave, in cents: seasons are no sines. Visits half a year apart cannot tell it, and a visit at another
 * time of the year meets it: it is not fitted.
 */
const SEASON = 2;
/** How much of what instruments of a house err by is common to them. */
const TOGETHER = 0.3;

interface Prepared {
	readonly series: DriftSeries;
	readonly rows: readonly Row[];
	/** As if nobody had ever tuned it. */
	readonly pitches: readonly number[];
	/** What tunings have added before each visit, and after all of them. */
	readonly added: readonly number[];
	readonly humidity: number | undefined;
	readonly first: number;
}

function rowAt(at: number, first: number, damper: number): Row {
	const turn = (TURN * (at % YEAR)) / YEAR;
	return [1, (at - first) / YEAR, Math.cos(turn), Math.sin(turn), damper / 10];
}

function prepare(series: DriftSeries): Prepared {
	const { visits } = series;
	const told = visits.flatMap(({ humidity }) => humidity ?? []);
	const humidity = told.length ? told.reduce((sum, each) => sum + each, 0) / told.length : undefined;
	const first = visits[0].at;
	const added = [0];
	for (const { found, left } of visits) added.push(added[added.length - 1] + (left === undefined ? 0 : left - found));
	return {
		...{ series, humidity, first, added },
		rows: visits.map(({ at, humidity: now }) => rowAt(at, first, (now ?? humidity ?? 0) - (humidity ?? 0))),
		pitches: visits.map(({ found }, i) => found - added[i])
	};
}

interface Noise {
	readonly weather: number;
	readonly remains: number;
}
/** How alike days of the year are: no longer where they lie some two months apart (the periodic kernel: MacKay 1998). */
const ALIKE = 0.6;
/** Covariance of what is no cause: of visits i and j, at these times of the year. */
function noiseOf({ weather, remains }: Noise, i: number, j: number, a: Row, b: Row): number {
	const apart = Math.sin((turnOf(a) - turnOf(b)) / 2) / ALIKE;
	return (
		(i === j ? weather * weather : 0) +
		remains * remains * Math.min(i, j) +
		SEASON * SEASON * Math.exp(-2 * apart * apart)
	);
}
const turnOf = (row: Row) => Math.atan2(row[3], row[2]);

interface Prior {
	readonly mean: readonly number[];
	readonly covariance: readonly (readonly number[])[];
}
const diagonal = (of: readonly number[]) => of.map((value, i) => of.map((_, j) => (i === j ? value * value : 0)));
const through = (prior: Prior['covariance'], a: Row, b: Row) => {
	let sum = 0;
	for (let i = 0; i < SIZE; i++) for (let j = 0; j < SIZE; j++) sum += a[i] * prior[i][j] * b[j];
	return sum;
};
const dot = (a: ArrayLike<number>, b: ArrayLike<number>) => {
	let sum = 0;
	for (let i = 0; i < a.length; i++) sum += a[i] * b[i];
	return sum;
};

/** A series laid against a prior. */
function laid({ rows, pitches }: Prepared, prior: Prior, noise: Noise) {
	const count = rows.length;
	const matrix = Array.from({ length: count }, (_, i) =>
		Array.from(
			{ length: count },
			(_, j) => through(prior.covariance, rows[i], rows[j]) + noiseOf(noise, i, j, rows[i], rows[j])
		)
	);
	const lower = cholesky(matrix)!;
	const off = solveLower(
		lower,
		Array.from({ length: count }, (_, i) => pitches[i] - dot(rows[i], prior.mean))
	);
	return { lower, off, count };
}

const likelihood = ({ lower, off, count }: ReturnType<typeof laid>) =>
	-0.5 * (dot(off, off) + logDeterminant(lower) + count * Math.log(TURN));

function predict(of: Prepared, prior: Prior, noise: Noise, to: ReturnType<typeof laid>, row: Row): DriftPrediction {
	const { lower, off, count } = to;
	const crossed = solveLower(
		lower,
		Array.from(
			{ length: count },
			(_, j) => through(prior.covariance, row, of.rows[j]) + noiseOf(noise, count, j, row, of.rows[j])
		)
	);
	const variance = through(prior.covariance, row, row) + noiseOf(noise, count, count, row, row) - dot(crossed, crossed);
	return { cents: dot(row, prior.mean) + dot(crossed, off) + of.added[count], error: Math.sqrt(Math.max(0, variance)) };
}

/** What a series tells of the mean of its house: information, and what it points to. */
function tells({ rows, pitches }: Prepared, noise: Noise) {
	const own = diagonal(ONES_DIFFER);
	const matrix = rows.map((a, i) => rows.map((b, j) => through(own, a, b) + noiseOf(noise, i, j, a, b)));
	const lower = cholesky(matrix)!;
	const columns = Array.from({ length: SIZE }, (_, k) =>
		solveLower(
			lower,
			rows.map((row) => row[k])
		)
	);
	const right = solveLower(lower, pitches);
	return {
		information: columns.map((a) => columns.map((b) => dot(a, b))),
		points: columns.map((a) => dot(a, right))
	};
}
type Told = ReturnType<typeof tells>;

/** The prior of an instrument from what the others of its house tell. */
function priorFrom(others: readonly Told[]): Prior {
	const usual = HOUSES_DIFFER.map((spread) => 1 / spread ** 2);
	// A house's weather is the same for all of them: many say less than they would by themselves.
	const share = 1 / (1 + TOGETHER * Math.max(0, others.length - 1));
	const precision = diagonal(HOUSES_DIFFER).map((row, i) =>
		row.map(
			(_, j) => (i === j ? usual[i] : 0) + share * others.reduce((sum, { information }) => sum + information[i][j], 0)
		)
	);
	const covariance = inverseOf(precision);
	const points = USUAL.map(
		(mean, i) => usual[i] * mean + share * others.reduce((sum, each) => sum + each.points[i], 0)
	);
	const own = diagonal(ONES_DIFFER);
	return {
		mean: covariance.map((row) => dot(row, points)),
		covariance: covariance.map((row, i) => row.map((value, j) => value + own[i][j]))
	};
}

/** How each of some instruments drifts, by its own visits and by what others of its house and kind do; by id. */
export function fitDrift(all: readonly DriftSeries[]): ReadonlyMap<string, Drift> {
	const prepared = all.filter(({ visits }) => visits.length > 0).map(prepare);
	const groups = new Map<string, Prepared[]>();
	for (const each of prepared) groups.set(each.series.group, [...(groups.get(each.series.group) ?? []), each]);
	const priorsWith = (noise: Noise) => {
		const priors = new Map<string, Prior>();
		for (const members of groups.values()) {
			const told = members.map((each) => tells(each, noise));
			// Its own visits tell of it directly, and are not told twice.
			for (const [i, { series }] of members.entries()) priors.set(series.id, priorFrom(told.filter((_, j) => j !== i)));
		}
		return priors;
	};
	let best: { readonly noise: Noise; readonly priors: Map<string, Prior>; readonly likely: number } | undefined;
	for (const noise of NOISES) {
		const priors = priorsWith(noise);
		const likely = prepared.reduce((sum, each) => sum + likelihood(laid(each, priors.get(each.series.id)!, noise)), 0);
		if (!best || likely > best.likely) best = { noise, priors, likely };
	}
	return new Map(
		prepared.map((each) => [each.series.id, driftOf(each, best!.priors.get(each.series.id)!, best!.noise)] as const)
	);
}

function driftOf(of: Prepared, prior: Prior, noise: Noise): Drift {
	const { rows, first, humidity } = of;
	const whole = laid(of, prior, noise);
	/** The posterior mean and error of a combination of the causes. */
	const cause = (row: Row): DriftPrediction => {
		const crossed = solveLower(
			whole.lower,
			rows.map((each) => through(prior.covariance, row, each))
		);
		const variance = through(prior.covariance, row, row) - dot(crossed, crossed);
		return { cents: dot(row, prior.mean) + dot(crossed, whole.off), error: Math.sqrt(Math.max(0, variance)) };
	};
	const [cosine, sine] = [cause([0, 0, 1, 0, 0]).cents, cause([0, 0, 0, 1, 0]).cents];
	const highest = ((Math.atan2(sine, cosine) / TURN) * 365.25 + 365.25) % 365.25;
	return {
		causes: {
			...{ trend: cause([0, 1, 0, 0, 0]), humidity: cause([0, 0, 0, 0, 1]) },
			...{ wave: Math.hypot(cosine, sine), highest }
		},
		at: (at, now) => predict(of, prior, noise, whole, rowAt(at, first, (now ?? humidity ?? 0) - (humidity ?? 0)))
	};
}
