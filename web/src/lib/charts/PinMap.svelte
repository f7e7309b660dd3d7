<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { pinPicture, type PinRow } from './pinMap';

	interface Props {
		rows: readonly PinRow[];
		due: { readonly row: string; readonly note: number };
		/** A place of the due pin's row was touched. */
		ontouch: (place: number) => void;
	}
	let { rows, due, ontouch }: Props = $props();
	let width = $state(290);
	const chart = $derived(pinPicture(rows, due, width));
	function onclick(event: MouseEvent & { currentTarget: SVGElement }) {
		ontouch(chart.placeAt(event.clientX - event.currentTarget.getBoundingClientRect().left));
	}
</script>

<div bind:clientWidth={width}>
	<!-- Whoever cannot point moves the pin by the buttons beneath. -->
	<svg {width} height={chart.height} role="img" aria-label="Pins about the one of {noteName(due.note)}">
		{#each chart.rows as { id, name, y, pins } (id)}
			<g class:here={id === due.row}>
				<text class="name" x="0" y={y + 8}>{name}</text>
				<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
				<rect
					class="plank"
					x="0"
					y={y + 12}
					{width}
					height="32"
					rx="3"
					onclick={id === due.row ? onclick : undefined}
				/>
				{#each pins as { note, x, y: at, label, isDue } (note)}
					<circle cx={x} cy={at} r={isDue ? 7.5 : 4} class:due={isDue} class:c={label !== ''} />
					{#if label}<text class="c" {x} y={y + 56} text-anchor="middle">{label}</text>{/if}
				{/each}
			</g>
		{/each}
	</svg>
</div>

<style>
	svg {
		display: block;
		width: 100%;
	}
	.plank {
		fill: var(--sheet);
		stroke: var(--line);
	}
	.here .plank {
		stroke: var(--ink);
		cursor: pointer;
	}
	circle {
		fill: var(--faint);
		pointer-events: none;
	}
	circle.c {
		fill: var(--ink);
	}
	circle.due {
		fill: var(--felt);
		stroke: var(--ink);
		stroke-width: 2;
	}
	.name {
		font-size: 12.5px;
		fill: var(--soft);
	}
	.here .name {
		fill: var(--ink);
		font-weight: 700;
	}
	text.c {
		font-size: 11.5px;
		font-family: var(--mono);
		fill: var(--soft);
	}
</style>
