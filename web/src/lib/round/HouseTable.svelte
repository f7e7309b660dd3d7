<script lang="ts">
	import { housesOf, roomsOf } from './houses';
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
	/** The house that is shown room by room. */
	let shown = $state<string>();
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
					<th scope="row"
						><button
							class="fold"
							aria-expanded={shown === id}
							aria-label="{name}, room by room"
							onclick={() => (shown = shown === id ? undefined : id)}>{shown === id ? '−' : '+'}</button
						><a class="anchor" href="/round/places/{id}">{name}</a> <span class="soft">{town}</span></th
					>
					<td class="figure">{many}</td>
					<td class="figure">{overdue}</td>
					<td class="figure">{waiting}</td>
					<td class="figure">{fixed(minutes / 60, 1)}</td>
					<td
						><button class="choice" aria-label="Plan a term at {name}" onclick={() => onchoose(id)}>Plan a term</button
						></td
					>
				</tr>
				{#if shown === id}
					{#each roomsOf(instruments, id, now) as room (room.id)}
						<tr class="room">
							<th scope="row" colspan="2"><a class="anchor" href="/instruments/{room.id}">{room.name}</a></th>
							<td class="figure" colspan="2">{room.stands}</td>
							<td class="figure" class:over={room.isOver} colspan="2">{room.falls}</td>
						</tr>
					{/each}
				{/if}
			{/each}
		</tbody>
	</table>
</section>

<style>
	section {
		margin-top: 2.5rem;
	}
	.fold {
		width: 44px;
		min-height: 44px;
		margin-left: -14px;
		color: var(--felt);
		font-family: var(--mono);
	}
	.room th {
		padding-left: 2.2rem;
		font-weight: 400;
	}
	.over {
		color: var(--warn);
	}
	h2 {
		font-family: inherit;
		font-size: 1rem;
		margin-bottom: 0.4rem;
	}
</style>
