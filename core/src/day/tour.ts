export interface Tour {
	readonly minutes: number;
	/** Indices of the ways' rows, without where one sets out. */
	readonly order: readonly number[];
}

type Ways = readonly (readonly number[])[];
/** So many stops are gone round exactly. */
export const MOST_EXACT = 10;

/** The shortest way from home round each set of some stops and back, by the set's bits (Held and Karp 1962). */
export function toursOf(stops: readonly number[], ways: Ways): Float64Array {
	const { lengths } = heldKarp(stops, ways);
	const tours = new Float64Array(1 << stops.length);
	for (let set = 1; set < tours.length; set++) {
		tours[set] = Infinity;
		for (let last = 0; last < stops.length; last++)
			tours[set] = Math.min(tours[set], lengths[last][set] + ways[stops[last]][0]);
	}
	return tours;
}

/** The shortest way round all of some stops: exactly up to ten, else by insertion and exchange (2-opt; Croes 1958). */
export function tourOf(stops: readonly number[], ways: Ways): Tour {
	if (stops.length === 0) return { minutes: 0, order: [] };
	return stops.length <= MOST_EXACT ? exactTour(stops, ways) : exchanged(inserted(stops, ways), ways);
}

function heldKarp(stops: readonly number[], ways: Ways) {
	const size = 1 << stops.length;
	const lengths = stops.map(() => new Float64Array(size).fill(Infinity));
	const before = stops.map(() => new Int8Array(size).fill(-1));
	stops.forEach((stop, i) => (lengths[i][1 << i] = ways[0][stop]));
	for (let set = 1; set < size; set++)
		for (let last = 0; last < stops.length; last++) {
			const so = lengths[last][set];
			if (so === Infinity) continue;
			for (let next = 0; next < stops.length; next++) {
				if (set & (1 << next)) continue;
				const onward = so + ways[stops[last]][stops[next]];
				const to = set | (1 << next);
				if (onward >= lengths[next][to]) continue;
				lengths[next][to] = onward;
				before[next][to] = last;
			}
		}
	return { lengths, before };
}

function exactTour(stops: readonly number[], ways: Ways): Tour {
	const { lengths, before } = heldKarp(stops, ways);
	let set = (1 << stops.length) - 1;
	const whole = (last: number) => lengths[last][set] + ways[stops[last]][0];
	let last = stops.reduce((best, _, i) => (whole(i) < whole(best) ? i : best), 0);
	const minutes = whole(last);
	const order: number[] = [];
	while (last >= 0) {
		order.unshift(stops[last]);
		const earlier = before[last][set];
		set &= ~(1 << last);
		last = earlier;
	}
	return { minutes, order };
}

const lengthOf = (order: readonly number[], ways: Ways) =>
	[...order, 0].reduce((sum, stop, i) => sum + ways[i ? order[i - 1] : 0][stop], 0);

function inserted(stops: readonly number[], ways: Ways): readonly number[] {
	let order: readonly number[] = [];
	for (const stop of stops) {
		const all = Array.from({ length: order.length + 1 }, (_, i) => [...order.slice(0, i), stop, ...order.slice(i)]);
		order = all.reduce((best, each) => (lengthOf(each, ways) < lengthOf(best, ways) ? each : best));
	}
	return order;
}

function exchanged(from: readonly number[], ways: Ways): Tour {
	let order = from;
	let minutes = lengthOf(order, ways);
	for (let isBetter = true; isBetter;) {
		isBetter = false;
		for (let i = 0; i < order.length - 1; i++)
			for (let j = i + 1; j < order.length; j++) {
				const turned = [...order.slice(0, i), ...order.slice(i, j + 1).reverse(), ...order.slice(j + 1)];
				const now = lengthOf(turned, ways);
				if (now >= minutes - 1e-9) continue;
				[order, minutes, isBetter] = [turned, now, true];
			}
	}
	return { minutes, order };
}
