<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { fixed, signed } from '$lib/ui/format';
	import type { ReadTone } from './toneBoard.svelte';
	import { partnerWords, slopeWords } from './toneWords';

	let { read }: { read: readonly ReadTone[] } = $props();
</script>

<table class="figure-table">
	<thead>
		<tr>
			<th scope="col">Tone</th>
			<th scope="col" class="figure">Hz</th>
			<th scope="col" class="figure">cents</th>
			<th scope="col" class="figure">wobbles by</th>
			<th scope="col" class="figure">with the breath</th>
			<th scope="col" class="figure">octave with it</th>
		</tr>
	</thead>
	<tbody>
		{#each read as { id, note, off, reading } (id)}
			<tr>
				<th scope="row">{noteName(note)}</th>
				<td class="figure">{fixed(reading.pitch, 2)}</td>
				<td class="figure">{signed(off, 2)} ±{fixed(reading.error, 2)}</td>
				<td class="figure">{fixed(reading.wobble, 2)} c</td>
				<td class="figure">{slopeWords(reading)}</td>
				<td class="figure">{partnerWords(reading)}</td>
			</tr>
		{/each}
	</tbody>
</table>

<style>
	table {
		max-width: 62rem;
	}
</style>
