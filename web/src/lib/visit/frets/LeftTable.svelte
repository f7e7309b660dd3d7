<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { signed } from '$lib/ui/format';
	import { FRET_TOLERANCE, type FretVisit } from '../fretVisit.svelte';

	interface Props {
		open: FretVisit;
		/** Now, or after the advised moves. */
		as: 'now' | 'then';
	}
	let { open, as }: Props = $props();
	const { body, map } = $derived(open);
	/** Cents that fill a cell. */
	const MOST = 12;
	const figureOf = (fret: number, string: number) => {
		const wish = map[fret - 1]?.wishes.find((each) => each.string === string);
		return wish && { cents: as === 'now' ? wish.off : wish.left, isRead: wish.isRead };
	};
</script>

<table aria-label={as === 'now' ? 'Cents now' : 'Cents after the moves'}>
	<thead>
		<tr>
			<th scope="col"><span class="sr-only">String</span></th>
			{#each map as { fret } (fret)}<th scope="col">{fret}</th>{/each}
		</tr>
	</thead>
	<tbody>
		{#each body.strings as { note }, i (i)}
			<tr>
				<th scope="row">{noteName(note)}</th>
				{#each map as { fret } (fret)}
					{@const figure = figureOf(fret, i + 1)}
					<td class:told={!figure?.isRead} class:out={figure && Math.abs(figure.cents) > FRET_TOLERANCE}>
						{#if figure}
							<span
								class="bar {figure.cents > 0 ? 'sharp' : 'flat'}"
								style="width: {(50 * Math.min(1, Math.abs(figure.cents) / MOST)).toFixed(0)}%; {figure.cents > 0
									? 'left: 50%'
									: 'right: 50%'}"
							></span>
							<span class="cents">{signed(figure.cents)}</span>
						{/if}
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
		table-layout: fixed;
	}
	th {
		font-family: var(--mono);
		font-size: 0.85rem;
		font-weight: 600;
		text-align: right;
		padding: 0.15rem 0.5rem;
	}
	tbody th {
		text-align: left;
		width: 3rem;
	}
	td {
		position: relative;
		border-bottom: 1px solid var(--line);
		text-align: right;
		padding: 0.2rem 0.5rem;
		font-family: var(--mono);
		font-size: 0.85rem;
	}
	.cents {
		position: relative;
	}
	.told {
		color: var(--soft);
		font-style: italic;
	}
	.out {
		font-weight: 700;
	}
	.bar {
		position: absolute;
		bottom: 0;
		height: 4px;
	}
	.bar.sharp {
		background: var(--sharp);
	}
	.bar.flat {
		background: var(--flat);
	}
</style>
