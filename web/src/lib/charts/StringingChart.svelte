<script lang="ts">
	import { noteName, type Stringing } from '@fendrel/core';
	import NoteAxis from './NoteAxis.svelte';
	import { stringingPicture } from './stringing';
	import Drawing from './Drawing.svelte';

	interface Props {
		stringing: Stringing;
		/** Notes that the table of strings knows. */
		known: ReadonlySet<number>;
	}
	let { stringing, known }: Props = $props();
	let width = $state(760);
	const height = 150;
	const margin = { top: 24, right: 14, bottom: 34, left: 14 };
	const picture = $derived(stringingPicture(stringing, known, { width, height, margin }));
	const said = $derived(
		stringing.sections
			.map(
				({ to, strings, wound }, i) =>
					`${noteName(i === 0 ? stringing.lowest : stringing.sections[i - 1].to + 1)} to ${noteName(to)}: ${strings} ${wound ? 'wound' : 'plain'}`
			)
			.join('; ')
	);
</script>

<Drawing bind:width {height} label="Strings of each note. {said}">
	{#each picture.named.filter(({ fits }) => fits) as { to, x, text } (to)}
		<text {x} y={margin.top - 9} text-anchor="middle">{text}</text>
	{/each}
	{#each picture.strings as { key, x, y1, y2, wound } (key)}
		<line x1={x} x2={x} {y1} {y2} class:wound />
	{/each}
	{#if picture.registers.length > 1}
		{#each picture.registers as { name, y } (name)}
			<text x={margin.left + 4} {y} class="register">{name}</text>
		{/each}
	{/if}
	{#if picture.breakAt}
		{@const { x, note } = picture.breakAt}
		<line x1={x} x2={x} y1={margin.top - 4} y2={height - margin.bottom + 6} class="break" />
		<text x={x + 5} y={margin.top - 9}>break below {noteName(note)}</text>
	{/if}
	{#each picture.known as { note, x } (note)}
		<circle cx={x} cy={height - margin.bottom} r="1.8" class="known" />
	{/each}
	<NoteAxis labels={picture.labels} y={height - 6} />
</Drawing>

<style>
	line {
		stroke: var(--ink);
		stroke-width: 0.9;
	}
	.wound {
		stroke: var(--sharp);
		stroke-width: 2.2;
	}
	.break {
		stroke: var(--soft);
		stroke-width: 1;
		stroke-dasharray: 4 3;
	}
	.register {
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 4px;
	}
	.known {
		fill: var(--felt);
	}
</style>
