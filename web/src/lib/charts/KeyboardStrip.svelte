<script lang="ts">
	import { noteName } from '@fendrel/core';
	import type { Snippet } from 'svelte';
	import { flatOrSharp } from '$lib/ui/format';
	import { keyboardStrip, noteAt, type StripNote } from './keyboardStrip';

	interface Props {
		lowest: number;
		highest: number;
		notes: ReadonlyMap<number, StripNote>;
		current?: number;
		/** Makes the strip the navigator. */
		onselect?: (note: number) => void;
		hint?: Snippet;
	}
	let { lowest, highest, notes, current, onselect, hint }: Props = $props();
	let width = $state(1200);
	const height = 108;
	const strip = $derived(keyboardStrip(lowest, highest, notes, { width, height }));
	const said = (note: number) => {
		const known = notes.get(note);
		if (!known) return `${noteName(note)}, not read`;
		const state = known.set ? 'set' : 'read';
		const at = known.left ?? known.found;
		return `${noteName(note)}, ${state}${at === undefined ? ' by ear' : `, ${flatOrSharp(at)}`}`;
	};

	function onpointerdown(event: PointerEvent & { currentTarget: HTMLElement }) {
		const box = event.currentTarget.getBoundingClientRect();
		onselect?.(noteAt(event.clientX - box.left, box.width, lowest, highest));
	}
	function onkeydown(event: KeyboardEvent) {
		const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
		if (!by || !onselect || current === undefined) return;
		event.preventDefault();
		event.stopPropagation();
		onselect(Math.min(Math.max(current + by, lowest), highest));
	}
</script>

<div class="strip">
	<p class="heading">
		<span class="soft"
			>Cents from target: bar found, <span class="swatch" aria-hidden="true"></span> left, hatched: not read</span
		>
		{@render hint?.()}
	</p>
	<div bind:clientWidth={width}>
		{#if onselect}
			<div
				class="navigator"
				role="slider"
				tabindex="0"
				aria-label="Keyboard: choose the note that is due"
				aria-valuemin={lowest}
				aria-valuemax={highest}
				aria-valuenow={current ?? lowest}
				aria-valuetext={said(current ?? lowest)}
				{onpointerdown}
				{onkeydown}
			>
				{@render picture()}
			</div>
		{:else}
			{@render picture()}
		{/if}
	</div>
</div>

{#snippet picture()}
	<svg {width} {height} role="img" aria-label="Keyboard: {notes.size} of {highest - lowest + 1} notes read">
		<defs>
			<pattern id="unread" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
				<line x1="0" y1="0" x2="0" y2="4" class="hatch" />
			</pattern>
		</defs>
		<line x1="0" x2={width} y1={strip.zero} y2={strip.zero} class="zero" />
		{#each strip.columns as column (column.note)}
			{@const x = column.x + 1}
			{@const w = Math.max(1, strip.column - 2)}
			{#if column.found !== undefined}
				<rect
					{x}
					width={w}
					y={Math.min(strip.zero, column.found)}
					height={Math.max(1, Math.abs(column.found - strip.zero))}
					class="found"
					class:sharp={column.found < strip.zero}
				/>
			{:else if !column.set}
				<rect {x} width={w} y={strip.zero - 6} height="12" fill="url(#unread)" />
			{/if}
			{#if column.set}
				<rect {x} width={w} y={(column.left ?? strip.zero) - 4} height="8" class="left" />
			{/if}
			<rect
				x={column.x + 0.5}
				width={Math.max(0, strip.column - 1)}
				y={strip.keysY}
				height={strip.keys}
				class={column.raised ? 'raised' : 'natural'}
				class:current={column.note === current}
			/>
		{/each}
		{#each strip.labels as { note, x } (note)}<text {x} y={strip.labelsY} text-anchor="middle">{noteName(note)}</text
			>{/each}
		{#if current !== undefined}
			{@const column = strip.columns[current - lowest]}
			{#if column}
				<path d="M{column.x + strip.column / 2} 10l-6 -9h12z" class="pointer" />
				<line
					x1={column.x + strip.column / 2}
					x2={column.x + strip.column / 2}
					y1="10"
					y2={strip.keysY}
					class="plumb"
				/>
			{/if}
		{/if}
	</svg>
{/snippet}

<style>
	.strip {
		border-top: 1px solid var(--line);
		padding: 0.5rem 1.5rem 0.9rem;
	}
	.heading {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 1rem;
		font-size: 0.85rem;
		min-height: 32px;
	}
	.swatch {
		display: inline-block;
		width: 10px;
		height: 8px;
		background: var(--felt);
	}
	svg {
		display: block;
		width: 100%;
	}
	.navigator {
		cursor: pointer;
		touch-action: manipulation;
	}
	.zero {
		stroke: var(--felt);
		stroke-width: 1.5;
	}
	.hatch {
		stroke: var(--soft);
		stroke-width: 1.2;
	}
	.found {
		fill: var(--flat);
		opacity: 0.5;
	}
	.found.sharp {
		fill: var(--sharp);
	}
	.left {
		fill: var(--felt);
	}
	.natural {
		fill: light-dark(#fffdf8, #8c8f90);
		stroke: var(--line);
	}
	.raised {
		fill: light-dark(#2b333c, #1f2732);
		stroke: var(--line);
	}
	.current {
		fill: var(--felt);
	}
	.pointer {
		fill: var(--felt);
	}
	.plumb {
		stroke: var(--felt);
		stroke-dasharray: 2 3;
	}
	text {
		font-family: var(--mono);
		font-size: 12px;
		fill: var(--soft);
	}
</style>
