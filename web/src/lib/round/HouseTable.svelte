<script lang="ts">
	import { housesOf } from './houses';
	import type { RoundInstrument } from './round';
	import { fixed } from '$lib/ui/format';

	interface Props {
		instruments: readonly RoundInstrument[];
		places: readonly { readonly id: string; readonly name: string; readonly town: string }[];
		now: number;
		/** A house whose term is to be planned. */
		onchoose: (id: string) => void;
	}
	let { instruments, places, now, onchoose }: Props = $props();
	const houses = $derived(housesOf(places, instruments, now));
</script>

<section aria-label="House by house">
	<h2><b>What waits in which house?</b></h2>
	<table class="rule-table">
		<thead
			><tr
				><th>House</th><th class="figure">Instruments</th><th class="figure">Overdue</th><th class="figure"
					>Beyond tolerance or due</th
				><th class="figure">Hours of work</th><th></th></tr
			></thead
		>
		<tbody>
			{#each houses as { id, name, town, instruments: many, overdue, waiting, minutes } (id)}
				<tr>
					<th scope="row"><a class="anchor" href="/round/places/{id}">{name}</a> <span class="soft">{town}</span></th>
					<td class="figure">{many}</td>
					<td class="figure">{overdue}</td>
					<td class="figure">{waiting}</td>
					<td class="figure">{fixed(minutes / 60, 1)}</td>
					<td
						><button class="choice" aria-label="Plan a term at {name}" onclick={() => onchoose(id)}>Plan a term</button
						></td
					>
				</tr>
			{/each}
		</tbody>
	</table>
</section>

<style>
	section {
		margin-top: 2.5rem;
	}
	h2 {
		font-family: inherit;
		font-size: 1rem;
		margin-bottom: 0.4rem;
	}
</style>
