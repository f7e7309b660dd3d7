<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { counted, signed } from '$lib/ui/format';
	import type { Judgement } from './judgement';

	let { judgement }: { judgement: Judgement } = $props();
	const SHOWN = 8;
	const { touched, state, notes } = $derived(judgement);
	const rows = $derived(
		touched.slice(0, SHOWN).map(({ note, above }) => {
			const level = notes.find((each) => each.note === note)!.level;
			const expected = state.strays.neighbourhoods.get(note)?.expected;
			return { note, level, expected, above, by: above - level };
		})
	);
</script>

<table class="small-table">
	<thead>
		<tr><th>cents from target</th><th>stands</th><th>neighbours</th><th>bring to</th><th>by</th></tr>
	</thead>
	<tbody>
		{#each rows as { note, level, expected, above, by } (note)}
			<tr>
				<th scope="row">{noteName(note)}</th>
				<td>{signed(level)}</td>
				<td>{expected === undefined ? '–' : signed(expected)}</td>
				<td><b>{signed(above)}</b></td>
				<td>{Math.abs(by) < 0.05 ? 'unison' : signed(by)}</td>
			</tr>
		{/each}
	</tbody>
</table>
{#if touched.length > SHOWN}<p class="soft">and {counted(touched.length - SHOWN, 'note')} more.</p>{/if}
