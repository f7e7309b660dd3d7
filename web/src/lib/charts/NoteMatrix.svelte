<script lang="ts">
	import { noteClassName } from '@fendrel/core';
	import { fixed, signed } from '$lib/ui/format';

	interface Row {
		readonly name: string;
		/** Cents by note class, C first, and beats a second where the two meet. */
		readonly cells: readonly { readonly off: number; readonly beats: number | undefined }[];
	}
	interface Props {
		rows: readonly Row[];
		label: string;
		/** Beyond that a cell is wrong, in cents. */
		hurts: number;
	}
	let { rows, label, hurts }: Props = $props();
	const CLASSES = Array.from({ length: 12 }, (_, note) => note);
</script>

<table aria-label={label}>
	<thead>
		<tr
			><th scope="col"><span class="sr-only">Between</span></th>{#each CLASSES as note (note)}<th scope="col"
					>{noteClassName(note)}</th
				>{/each}</tr
		>
	</thead>
	<tbody>
		{#each rows as { name, cells }, i (i)}
			<tr>
				<th scope="row">{name}</th>
				{#each cells as { off, beats }, note (note)}
					<td class:out={Math.abs(off) > hurts} class={Math.abs(off) > hurts ? (off > 0 ? 'sharp' : 'flat') : ''}>
						{signed(off)}
						{#if Math.abs(off) > hurts && beats !== undefined}<small>{fixed(beats, 1)}</small>{/if}
					</td>
				{/each}
			</tr>
		{/each}
	</tbody>
</table>

<style>
	table {
		width: 100%;
		border-collapse: collapse;
	}
	th,
	td {
		font-family: var(--mono);
		font-size: 0.8rem;
		text-align: right;
		padding: 0.25rem 0.35rem;
		border-bottom: 1px solid var(--line);
		vertical-align: top;
	}
	tbody th {
		font-family: inherit;
		text-align: left;
		font-weight: 600;
		min-width: 9rem;
	}
	small {
		display: block;
		font-size: 0.75rem;
		color: var(--soft);
	}
	.out {
		font-weight: 700;
	}
	.sharp {
		color: var(--sharp);
	}
	.flat {
		color: var(--flat);
	}
</style>
