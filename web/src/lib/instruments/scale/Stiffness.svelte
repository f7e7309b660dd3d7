<script lang="ts">
	import type { StringKind } from '@fendrel/core';
	import InharmonicityChart from '$lib/charts/InharmonicityChart.svelte';
	import { KIND_NAMES } from '$lib/tuning/kinds';
	import { stringsOfInstrument, type KnownString } from '$lib/tuning/strings';
	import { inharmonicityPicture } from '$lib/tuning/inharmonicityPicture';
	import ToLookAt from './ToLookAt.svelte';
	import { basisWords, faultWords } from './scaleWords';

	interface Props {
		instrument: {
			readonly kind: StringKind;
			readonly lowest: number;
			readonly highest: number;
		};
		known: readonly KnownString[];
	}
	let { instrument, known }: Props = $props();
	const { kind } = $derived(instrument);
	const { inharmonicity } = $derived(stringsOfInstrument({ kind, measured: known }));
	const faults = $derived(faultWords(inharmonicity));
</script>

<ToLookAt
	label="Faults of the scale"
	heading="To look at"
	items={faults}
	none={known.length
		? 'Every string read agrees with its neighbours.'
		: 'Strings are read in Set: one string of each note, struck alone.'}
	about="Scatter about the line {Math.round(
		100 * inharmonicity.scatter
	)} %. Tuning curves use what was read; where nothing was, the line."
>
	{#snippet picture()}
		<h2 class="asks">
			<b>How stiff are its strings?</b> <span>inharmonicity B by note; equal steps up are equal ratios</span>
		</h2>
		<InharmonicityChart data={inharmonicityPicture(instrument, known)} />
		<p class="soft small">
			{basisWords(known, KIND_NAMES[kind].toLowerCase())} Dots: read; crosses: from wire and length; line: the scale as a
			whole; shaded: what is used where nothing was read, nineteen times in twenty.
		</p>
	{/snippet}
</ToLookAt>

<style>
	.small {
		font-size: 0.87rem;
		line-height: 1.4;
	}
</style>
