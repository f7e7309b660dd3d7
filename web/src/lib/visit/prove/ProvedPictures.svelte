<script lang="ts">
	import { INTERVALS, STAIRCASES, type MeasuredTread } from '@fendrel/core';
	import { extent } from 'd3-array';
	import ProvedStaircase from '$lib/charts/ProvedStaircase.svelte';
	import RestChart from '$lib/charts/RestChart.svelte';
	import type { RestMark } from '$lib/charts/restChart';
	import { pairName } from '$lib/ui/beats';
	import Segments from '$lib/ui/Segments.svelte';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { heardAs, OCTAVE_TYPES, type OctaveType, type Proved } from './proved';

	interface Props {
		open: KeyboardVisit;
		proved: Proved;
		/** Strikes keys of the simulated instrument, where that is what is listened to. */
		onstrike: ((notes: readonly number[]) => void) | undefined;
	}
	let { open, proved, onstrike }: Props = $props();
	/** Fourths and fifths rest: they have a picture of their own. */
	const RISING = [...STAIRCASES.filter((name) => name !== 'fourth' && name !== 'fifth'), 'tenth'] as const;
	type Shown = (typeof RISING)[number] | OctaveType;
	const LABELS: Partial<Record<Shown, string>> = { octave: 'octaves 2:1', octave42: '4:2', octave63: '6:3' };
	const SHOWN: readonly Shown[] = [...RISING, ...OCTAVE_TYPES];
	const isOctave = (of: Shown): of is OctaveType => (OCTAVE_TYPES as readonly string[]).includes(of);
	const FROM = [41, 53, 65] as const;
	const OCTAVES = { 41: 'F2', 53: 'F3', 65: 'F4' } as const;
	let name = $state<Shown>('majorThird');
	let from = $state<(typeof FROM)[number]>(53);
	const plural = $derived(
		isOctave(name)
			? `octaves ${INTERVALS[name].lowerPartial}:${INTERVALS[name].upperPartial}`
			: `${INTERVALS[name].name}s`
	);
	const treads = $derived(
		((isOctave(name) ? proved.octaves.get(name) : proved.staircases.get(name)) ?? [])
			.filter(({ lower }) => lower >= from && lower <= from + 12)
			.map((tread) => ({
				tread,
				note: tread.lower,
				rate: tread.found,
				error: tread.error,
				planned: tread.predicted,
				isHeard: heardAs(proved.heard, tread) !== undefined,
				isInversion: proved.inversions.some(({ to }) => to === tread)
			}))
	);
	/** What could be played of this staircase, whether it is known or not. */
	const playable = $derived(
		Array.from({ length: 13 }, (_, i) => ({ lower: from + i, upper: from + i + INTERVALS[name].semitones })).filter(
			({ upper, lower }) => open.plan.targetOf(upper) && open.plan.targetOf(lower)
		)
	);
	const resting = (kind: RestMark['kind'], all: readonly MeasuredTread[]): RestMark[] =>
		all.map((tread) => {
			const { lower, upper, found, predicted } = tread;
			const string = open.plan.targetOf(upper)!.string;
			const perCent = (string.flexiblePitch * tread.kind.upperPartial * Math.LN2) / 1200;
			return {
				kind,
				note: lower,
				cents: (found - predicted) / perCent,
				isHeard: heardAs(proved.heard, tread) !== undefined
			};
		});
	const marks = $derived([
		...resting('octave', proved.octaves.get('octave42') ?? []),
		...resting('fifth', proved.staircases.get('fifth') ?? []),
		...resting('fourth', proved.staircases.get('fourth') ?? [])
	]);
	const range = $derived(extent(marks, ({ note }) => note) as [number, number]);
</script>

<section>
	<h2>
		<b>{isOctave(name) ? `Do the ${plural} stand as planned?` : `Do the ${plural} rise?`}</b>
		<span>beats a second by lower note; dashed: plan, dots: heard, the rest reckoned from each note</span>
	</h2>
	<div class="choose">
		<Segments
			label="Interval"
			choices={SHOWN.map((id) => ({ id, label: LABELS[id] ?? `${INTERVALS[id].name}s` }))}
			chosen={name}
			onchoose={(id) => (name = id)}
		/>
		<Segments
			label="From"
			choices={FROM.map((id) => ({ id, label: OCTAVES[id] }))}
			chosen={from}
			onchoose={(id) => (from = id)}
		/>
	</div>
	{#if treads.length}<ProvedStaircase {treads} interval={plural} height={200} />
	{:else}<p class="soft empty">Nothing is known of these {plural} yet.</p>{/if}
	{#if onstrike}
		<div class="strikes" role="group" aria-label="Strike on the simulated instrument">
			{#each playable as keys (keys.lower)}
				<button type="button" class="choice" onclick={() => onstrike([keys.lower, keys.upper])}>{pairName(keys)}</button
				>
			{/each}
		</div>
	{/if}
	<h2>
		<b>Do octaves, fifths and fourths rest?</b>
		<span>cents from the plan, tolerance shaded; filled: heard. Octaves ○ fifths □ fourths △</span>
	</h2>
	{#if marks.length}<RestChart {marks} tolerance={open.visit.tolerance} {range} height={150} />
	{:else}<p class="soft empty">Nothing is known of them yet.</p>{/if}
</section>

<style>
	section {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 0.4rem;
	}
	.choose,
	.strikes {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem 0.8rem;
	}
	.strikes {
		gap: 0.3rem;
	}
	.strikes .choice {
		padding-inline: 0.45rem;
		font-size: 0.85rem;
		min-height: 40px;
	}
	.empty {
		padding: 1.5rem 0;
	}
</style>
