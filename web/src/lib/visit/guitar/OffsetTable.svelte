<script lang="ts">
	import { noteName, type KeptOffsets } from '@fendrel/core';
	import { mean } from 'd3-array';
	import { fixed, signed } from '$lib/ui/format';
	import type { GuitarVisit } from '../guitarVisit.svelte';
	import { playedWords } from './guitarWords';

	let { open }: { open: GuitarVisit } = $props();
	const { body, offsets, best, now } = $derived(open);
	let name = $state('');
	let problem = $state('');

	/** The mean of its chords' beats: what a table costs. */
	function costWords(table: readonly number[]): string {
		const cost = mean(open.pricesOf(table), ({ beats }) => beats);
		return cost === undefined ? '–' : fixed(cost, 2);
	}
	const columns = $derived([
		...(now ? [{ name: 'as it stands', offsets: now, use: undefined, said: 'as it was read' }] : []),
		{ name: 'best', offsets: best, use: '', said: 'for the chords below' },
		...offsets.kept.map((each) => ({ ...each, use: each.name, said: playedWords(each) }))
	]);
	const sounded = $derived(
		new Set(open.chords.flatMap(({ frets }) => frets.flatMap((fret, i) => (fret === null ? [] : [i]))))
	);

	function keep(event: SubmitEvent) {
		event.preventDefault();
		const as = name.trim();
		problem = !as
			? 'Give the offsets a name.'
			: offsets.kept.some((each) => each.name === as)
				? `There are offsets named “${as}” already.`
				: '';
		if (problem) return;
		const table: KeptOffsets = {
			...{ name: as, capo: offsets.capo, touch: offsets.touch },
			offsets: open.used.map((each) => Number(each.toFixed(2)))
		};
		open.plan({ kept: [...offsets.kept, table], use: as });
		name = '';
	}
	function drop(which: string) {
		open.plan({
			kept: offsets.kept.filter((each) => each.name !== which),
			...(offsets.use === which && { use: '' })
		});
	}
</script>

<div class="wide">
	<table class="figure-table" aria-label="Offsets of the open strings, in cents">
		<thead>
			<tr>
				<th scope="col">String</th>
				{#each columns as column (column.name)}
					<th scope="col" class="figure" class:used={column.use === offsets.use}>
						{#if column.use === undefined}{column.name}{:else}<button
								type="button"
								aria-pressed={column.use === offsets.use}
								title={column.said}
								onclick={() => open.plan({ use: column.use })}>{column.name}</button
							>{/if}
					</th>
				{/each}
			</tr>
		</thead>
		<tbody>
			{#each body.strings as { note }, i (i)}
				<tr>
					<th scope="row">{noteName(note)}</th>
					{#each columns as column (column.name)}
						<td class:used={column.use === offsets.use}
							>{column.use === '' && !sounded.has(i) ? '–' : signed(column.offsets[i] ?? 0)}</td
						>
					{/each}
				</tr>
			{/each}
			<tr class="cost">
				<th scope="row">mean beats a second</th>
				{#each columns as column (column.name)}
					<td class:used={column.use === offsets.use}>{costWords(column.offsets)}</td>
				{/each}
			</tr>
		</tbody>
	</table>
</div>
<form onsubmit={keep}>
	<label
		><span>Keep them as</span>
		<input
			class="input"
			bind:value={name}
			maxlength="60"
			placeholder="Capo 2, ballads"
			aria-invalid={!!problem}
		/></label
	>
	<button class="btn preset-outlined-surface-300-700">Keep</button>
	{#if offsets.use}<button type="button" class="choice" onclick={() => drop(offsets.use)}>Drop “{offsets.use}”</button
		>{/if}
	<a class="anchor" href="/visits/{open.visit.id}/plan/offsets">Take them away</a>
</form>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}

<style>
	.wide {
		flex: none;
		overflow-x: auto;
	}
	th button {
		min-height: 40px;
		text-decoration: underline;
		text-underline-offset: 3px;
		cursor: pointer;
		font-weight: inherit;
	}
	th,
	td {
		padding-inline: 0.6rem;
	}
	.used {
		background: var(--felt-wash);
		font-weight: 700;
	}
	.cost th,
	.cost td {
		border-top: 2px solid var(--line);
	}
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 0.8rem;
		align-items: center;
	}
	label {
		display: flex;
		gap: 0.6rem;
		align-items: center;
	}
	label span {
		white-space: nowrap;
	}
</style>
