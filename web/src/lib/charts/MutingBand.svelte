<script lang="ts">
	import { noteName, type Mute } from '@fendrel/core';
	import Drawing from './Drawing.svelte';
	import NoteAxis from './NoteAxis.svelte';
	import { noteAxis } from './noteAxis';

	interface Props {
		mutes: readonly Mute[];
		lowest: number;
		highest: number;
		/** What is said of them, for who cannot see it. */
		said: string;
	}
	let { mutes, lowest, highest, said }: Props = $props();
	let width = $state(700);
	const height = 52;
	const margin = { top: 4, right: 14, bottom: 22, left: 46 };
	const axis = $derived(noteAxis(lowest, highest, { width, margin }));
	const half = $derived(axis.step / 2);
</script>

<Drawing bind:width {height} label={said}>
	<NoteAxis labels={axis.labels} y={height - 5} />
	{#each mutes as mute (mute.kind === 'strip' ? mute.from : mute.kind === 'pair' ? mute.lower : mute.note)}
		{#if mute.kind === 'strip'}
			<rect
				x={axis.x(mute.from) - half}
				width={axis.x(mute.to) - axis.x(mute.from) + axis.step}
				y="8"
				height="14"
				class="strip"
			/>
		{:else if mute.kind === 'pair'}
			<path
				d="M{axis.x(mute.lower)} 22L{(axis.x(mute.lower) + axis.x(mute.upper)) / 2} 8L{axis.x(mute.upper)} 22z"
				class="wedge"
			/>
		{:else}
			<path d="M{axis.x(mute.note) - half} 22L{axis.x(mute.note)} 4L{axis.x(mute.note) + half} 22z" class="lone" />
			<text x={axis.x(mute.note) + half + 4} y="14">{noteName(mute.note)}</text>
		{/if}
	{/each}
</Drawing>

<style>
	.strip {
		fill: var(--felt-wash);
		stroke: var(--felt);
	}
	.wedge {
		fill: var(--soft);
	}
	.lone {
		fill: var(--sharp);
	}
</style>
