<script lang="ts">
	import { isRaisedKey, noteName } from '@fendrel/core';
	import { keyWords } from './keyWords';

	interface Props {
		lowest: number;
		highest: number;
		/** The key that is looked for. */
		note: number;
		heard: ReadonlySet<number>;
	}
	let { lowest, highest, note, heard }: Props = $props();
	const [WIDE, TALL] = [10, 64];
	const MIDDLE_C = 60;
	/** Keys that are shown about both: the whole keyboard is too small on a telephone. */
	const ABOUT = 8;
	const first = $derived(Math.max(lowest, Math.min(note, MIDDLE_C) - ABOUT));
	const last = $derived(Math.min(highest, Math.max(note, MIDDLE_C) + ABOUT));
	const keys = $derived(Array.from({ length: last - first + 1 }, (_, i) => first + i));
	const white = $derived(keys.filter((key) => !isRaisedKey(key)));
	const xOf = $derived(new Map(white.map((key, i) => [key, i * WIDE])));
	const raised = $derived(keys.filter((key) => isRaisedKey(key) && xOf.has(key - 1) && xOf.has(key + 1)));
	const middle = $derived(xOf.get(MIDDLE_C));
	const at = $derived((xOf.get(note) ?? 0) + WIDE / 2);
</script>

<svg
	viewBox="0 -16 {white.length * WIDE} {TALL + 34}"
	role="img"
	aria-label="The keyboard: {noteName(note)} is {keyWords(note)}"
>
	{#each white as key (key)}
		<rect
			class="white"
			class:due={key === note}
			class:heard={heard.has(key)}
			x={xOf.get(key)}
			width={WIDE}
			height={TALL}
		/>
	{/each}
	{#each raised as key (key)}
		<rect class="raised" x={xOf.get(key - 1)! + 0.68 * WIDE} width={0.64 * WIDE} height={0.62 * TALL} />
	{/each}
	<path class="mark" d="M{at},-2l-6,-10h12z" />
	{#if middle !== undefined}<text x={middle + WIDE / 2} y={TALL + 14} text-anchor="middle">middle C</text>{/if}
</svg>

<style>
	svg {
		display: block;
		width: 100%;
		max-height: 11rem;
	}
	.white {
		fill: var(--sheet);
		stroke: var(--soft);
		stroke-width: 0.6;
	}
	.heard {
		fill: color-mix(in srgb, var(--felt) 30%, var(--sheet));
	}
	.due {
		fill: var(--felt);
	}
	.raised {
		fill: var(--ink);
	}
	.mark {
		fill: var(--felt);
	}
	text {
		font-size: 9px;
		fill: var(--soft);
	}
</style>
