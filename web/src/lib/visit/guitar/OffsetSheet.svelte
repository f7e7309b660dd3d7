<script lang="ts">
	import { capital, fixed, inHz, signed } from '$lib/ui/format';
	import type { GuitarVisit } from '../guitarVisit.svelte';
	import { playedWords } from './guitarWords';
	import { sheetCsv, sheetLines } from './offsetSheet';

	let { open }: { open: GuitarVisit } = $props();
	const lines = $derived(sheetLines(open));
	const csv = $derived(`data:text/csv;charset=utf-8,${encodeURIComponent(sheetCsv(open))}`);
</script>

<p>
	{capital(open.tunedTo)}; A4 = {inHz(open.visit.a4)} Hz; as it is played: {playedWords(open.how)}.
</p>
<table class="rule-table">
	<thead
		><tr
			><th>String</th><th class="figure">Open, softly, cents</th><th class="figure">As it is played, cents</th><th
				class="sounds">Sounds</th
			><th class="figure">Hz</th></tr
		></thead
	>
	<tbody>
		{#each lines as line (line.string)}
			<tr>
				<td>{line.string}</td>
				<td class="figure">{signed(line.open)}</td>
				<td class="figure">{signed(line.played)}</td>
				<td class="sounds">{line.sounds}</td>
				<td class="figure">{fixed(line.hertz, 2)}</td>
			</tr>
		{/each}
	</tbody>
</table>
<p class="soft">
	Cents are from equal temperament. Tune by the first column without the capo, plucking softly; or by the second as it
	is played.
</p>
<p class="tools"><a class="anchor" href={csv} download="offsets.csv">Download as CSV</a></p>

<style>
	.sounds {
		padding-left: 2.5rem;
	}
	@media print {
		.tools {
			display: none;
		}
	}
</style>
