<script lang="ts">
	import { fifthName, noteClassName } from '@fendrel/core';
	import { ringOfFifths, type RingFifth } from './ringOfFifths';
	import { fixed } from '$lib/ui/format';

	interface Props {
		fifths: readonly RingFifth[];
		/** Under each note of the circle from C: the roughness of its major triad against equal. */
		roughness?: readonly number[];
		/** What stands in the middle. */
		centre: string;
		/** Makes the fifths choosable. */
		chosen?: number;
		onchoose?: (step: number) => void;
	}
	let { fifths, roughness, centre, chosen, onchoose }: Props = $props();
	let width = $state(440);
	const size = $derived(Math.min(width, 460));
	const ring = $derived(ringOfFifths(fifths, size));
	const nameOf = (step: number) => noteClassName((7 * step) % 12);
	const said = $derived(fifths.map(({ text }, i) => `${fifthName(i)} ${text}`).join(', '));
</script>

<div bind:clientWidth={width}>
	<svg width={size} height={size} role={onchoose ? 'group' : 'img'} aria-label="Ring of fifths: {said}">
		<circle cx={ring.middle} cy={ring.middle} r={ring.radius} class="pure" />
		{#each ring.bars as { path, wide, cut, touch, text, label }, step (step)}
			<g transform="translate({ring.middle} {ring.middle})">
				{#if chosen === step}<path d={touch} class="chosen" />{/if}
				<path d={path} class={wide ? 'wide' : 'narrow'} class:cut />
			</g>
			<text x={label.x} y={label.y + 4} text-anchor="middle" class="tempering" class:loud={text !== 'pure'}>{text}</text
			>
			{#if onchoose}
				<path
					d={touch}
					transform="translate({ring.middle} {ring.middle})"
					class="touch"
					role="button"
					tabindex="0"
					aria-pressed={chosen === step}
					aria-label="Fifth {fifthName(step)}, {text}"
					onclick={() => onchoose(step)}
					onkeydown={(event) => {
						if (event.key !== 'Enter' && event.key !== ' ') return;
						event.preventDefault();
						onchoose(step);
					}}
				/>
			{/if}
		{/each}
		{#each ring.notes as { tick, name }, step (step)}
			<line x1={tick.inner.x} y1={tick.inner.y} x2={tick.outer.x} y2={tick.outer.y} />
			<text x={name.x} y={name.y + (roughness ? -1 : 5)} text-anchor="middle" class="note">{nameOf(step)}</text>
			{#if roughness}
				<text x={name.x} y={name.y + 15} text-anchor="middle" class="rough">{fixed(roughness[step], 2)}</text>
			{/if}
		{/each}
		<text x={ring.middle} y={ring.middle + 5} text-anchor="middle" class="centre">{centre}</text>
	</svg>
</div>

<style>
	div {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		overflow: hidden;
		justify-items: center;
	}
	svg {
		display: block;
	}
	.pure {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.5;
	}
	line {
		stroke: var(--ink);
		stroke-width: 1.5;
	}
	.narrow {
		fill: var(--flat);
	}
	.wide {
		fill: var(--sharp);
	}
	.cut {
		stroke: var(--ink);
		stroke-width: 2;
		stroke-dasharray: 3 3;
	}
	.chosen {
		fill: var(--felt-wash);
	}
	.touch {
		fill: transparent;
		cursor: pointer;
	}
	text {
		font-size: 13px;
		fill: var(--soft);
		pointer-events: none;
	}
	.note {
		fill: var(--ink);
		font-weight: 700;
		font-size: 16px;
	}
	.rough,
	.tempering {
		font-family: var(--mono);
	}
	.loud {
		fill: var(--ink);
	}
	.centre {
		font-size: 14px;
	}
</style>
