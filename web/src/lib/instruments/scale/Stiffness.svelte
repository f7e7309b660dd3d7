<script lang="ts">
	import type { StringKind } from '@fendrel/core';
	import InharmonicityChart from '$lib/charts/InharmonicityChart.svelte';
	import { KIND_NAMES } from '$lib/tuning/kinds';
	import { stringsOfInstrument, type KnownString } from '$lib/tuning/strings';
	import { inharmonicityPicture } from './picture';
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

<div class="stiff">
	<section>
		<h2 class="asks">
			<b>How stiff are its strings?</b> <span>inharmonicity B by note; equal steps up are equal ratios</span>
		</h2>
		<InharmonicityChart data={inharmonicityPicture(instrument, known)} />
		<p class="soft small">
			{basisWords(known, KIND_NAMES[kind].toLowerCase())} Dots: read; crosses: from wire and length; line: the scale as a
			whole; shaded: what is used where nothing was read, nineteen times in twenty.
		</p>
	</section>
	<section class="faults" aria-label="Faults of the scale">
		<h2 class="panel-heading">To look at</h2>
		{#if faults.length}
			<ul>
				{#each faults as fault (fault)}<li>{fault}</li>{/each}
			</ul>
		{:else}
			<p class="soft">
				{known.length
					? 'Every string read agrees with its neighbours.'
					: 'Strings are read in Set: one string of each note, struck alone.'}
			</p>
		{/if}
		<p class="soft small">
			Scatter about the line {Math.round(100 * inharmonicity.scatter)} %. Tuning curves use what was read; where nothing was,
			the line.
		</p>
	</section>
</div>

<style>
	.stiff {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 17.5rem;
		gap: 2rem;
	}
	.small {
		font-size: 0.87rem;
		line-height: 1.4;
	}
	.faults {
		display: grid;
		gap: 0.5rem;
		align-content: start;
	}
	.faults li {
		padding: 0.45rem 0;
		border-top: 1px solid var(--line);
		line-height: 1.35;
	}
	@media (max-width: 900px) {
		.stiff {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
