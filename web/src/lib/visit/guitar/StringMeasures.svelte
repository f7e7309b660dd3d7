<script lang="ts">
	import { noteName, type MeasuredCents } from '@fendrel/core';
	import StringLanes, { type LaneMark } from '$lib/charts/StringLanes.svelte';
	import { fixed, signed } from '$lib/ui/format';
	import type { GuitarVisit } from '../guitarVisit.svelte';

	let { open, height = 250 }: { open: GuitarVisit; height?: number } = $props();
	const { body, measured, plucks } = $derived(open);
	const hasCapo = $derived(open.ways.some(({ capo }) => capo > 0));
	const isRead = (string: number) => plucks.some((each) => each.string === string);
	/** What nobody has measured stays at what is usual, and is not marked. */
	const KNOWN = 1.2;
	const lanes = $derived(
		body.strings.map(({ note }, i) => {
			const { open: from, pluck, stopped, capo } = measured[i];
			const mark = (told: MeasuredCents, shape: LaneMark['shape'], said: string): LaneMark[] =>
				told.error < KNOWN ? [{ cents: from.cents + told.cents, shape, said }] : [];
			return {
				...{ id: i + 1, name: noteName(note) },
				marks: isRead(i + 1)
					? [
							{ cents: from.cents, shape: 'dot' as const, said: 'open' },
							...mark(pluck, 'ring', 'plucked hard'),
							...mark(stopped, 'bar', 'stopped at the twelfth fret'),
							...(hasCapo ? mark(capo, 'square', 'over the capo') : [])
						]
					: []
			};
		})
	);
	const range = $derived.by((): readonly [number, number] => {
		const all = lanes.flatMap(({ marks }) => marks.map(({ cents }) => cents));
		return [Math.min(-10, ...all.map((each) => each - 2)), Math.max(15, ...all.map((each) => each + 2))];
	});
	const told = ({ cents, error }: MeasuredCents) => (error < KNOWN ? `${signed(cents)} ± ${fixed(error, 1)}` : '–');
</script>

<StringLanes {lanes} {range} {height} axis="cents from equal temperament" label="What each string does" />
<p class="soft key">
	<span><i class="dot"></i> open, softly</span><span><i class="ring"></i> plucked hard</span><span
		><i class="bar"></i> stopped at the twelfth fret</span
	>{#if hasCapo}<span><i class="square"></i> over the capo</span>{/if}
</p>
{#if !plucks.length && open.about.last?.plucked}
	<p class="soft">As they did at the last visit, until they are read anew.</p>
{/if}
<table class="figure-table" aria-label="What each string adds, in cents">
	<thead
		><tr
			><th scope="col">String</th><th scope="col" class="figure">open</th><th scope="col" class="figure">hard</th><th
				scope="col"
				class="figure">twelfth fret</th
			><th scope="col" class="figure">first frets</th>{#if hasCapo}<th scope="col" class="figure">capo</th>{/if}</tr
		></thead
	>
	<tbody>
		{#each body.strings as { note }, i (i)}
			{@const string = measured[i]}
			<tr>
				<th scope="row">{noteName(note)}</th>
				<td>{isRead(i + 1) ? told(string.open) : '–'}</td>
				<td>{told(string.pluck)}</td>
				<td>{told(string.stopped)}</td>
				<td>{told(string.nut)}</td>
				{#if hasCapo}<td>{told(string.capo)}</td>{/if}
			</tr>
		{/each}
	</tbody>
</table>

<style>
	.key {
		display: flex;
		flex-wrap: wrap;
		gap: 0.2rem 1.4rem;
	}
	.key span {
		display: inline-flex;
		align-items: center;
		gap: 0.45rem;
	}
	i {
		display: inline-block;
		width: 12px;
		height: 12px;
		border-radius: 50%;
	}
	.dot {
		background: var(--ink);
	}
	.ring {
		border: 2px solid var(--ink);
	}
	.bar {
		width: 4px;
		height: 16px;
		border-radius: 0;
		background: var(--sharp);
	}
	.square {
		border-radius: 0;
		background: var(--flat);
	}
</style>
