import { equalHz, hzAbove } from '../units/pitch';
import { beatsPerSecond, cents, hz, type BeatsPerSecond, type Cents, type Hz } from '../units/quantity';
import { isFollowed } from '../intervals/audibility';
import { CURVE_INTERVALS, type CurveInterval } from './curveIntervals';
import type { SharpnessAt, TuningCurve } from './tuningCurve';

/** One interval on the tuned keyboard. */
export interface TunedInterval {
	readonly lower: number;
	readonly upper: number;
	/** Cents and beats per second from pure; wide is positive. */
	readonly cents: Cents;
	readonly rate: BeatsPerSecond;
	/** Whether an ear follows its beat at all. */
	readonly followed: boolean;
}

export interface IntervalRun {
	readonly kind: CurveInterval;
	readonly along: readonly TunedInterval[];
	/** Where, among the places at which ears judge by it, it lies furthest from equal temperament's size. */
	readonly worst: TunedInterval | undefined;
}

/** What becomes of every interval type along the keyboard under a curve. */
export function whatGivesWay(curve: TuningCurve, sharpnessAt: SharpnessAt, a4: Hz): readonly IntervalRun[] {
	const { lowest, deviations } = curve;
	const highest = lowest + deviations.length - 1;
	const partial = (note: number, n: number) =>
		n * hzAbove(equalHz(note, a4), cents(deviations[note - lowest] + sharpnessAt(note, n)));
	return CURVE_INTERVALS.map((kind) => {
		const along: TunedInterval[] = [];
		for (let lower = lowest; lower + kind.semitones <= highest; lower++) {
			const upper = lower + kind.semitones;
			const [low, high] = [partial(lower, kind.lowerPartial), partial(upper, kind.upperPartial)];
			const rate = beatsPerSecond(high - low);
			const followed = isFollowed(rate, kind.lowerPartial, kind.upperPartial, hz((low + high) / 2));
			along.push({ lower, upper, cents: cents(1200 * Math.log2(high / low)), rate, followed });
		}
		const off = (each: TunedInterval) => Math.abs(each.cents - kind.equal);
		const [from, to] = kind.judged;
		const worst = along
			.filter(({ lower }) => lower >= from && lower <= to)
			.reduce<TunedInterval | undefined>((most, each) => (!most || off(each) > off(most) ? each : most), undefined);
		return { kind, along, worst };
	});
}
