<script lang="ts">
	import type { LevelWatch } from '$lib/audio/levelWatch.svelte';

	let { levels }: { levels: LevelWatch } = $props();
	/** Decibels of full scale at the left end. */
	const LOWEST = -80;
	const share = (db: number) => Math.min(Math.max(100 * (1 - db / LOWEST), 0), 100);
	const level = $derived(Math.max(levels.level, LOWEST));
</script>

<div
	class="meter"
	class:clipped={levels.clipped}
	role="meter"
	aria-label="Level, decibels below the loudest"
	aria-valuemin={LOWEST}
	aria-valuemax="0"
	aria-valuenow={Math.round(level)}
	title="Level now; the mark is the room’s background"
>
	<span class="level" style="width: {share(levels.level)}%"></span>
	<span class="room" style="left: {share(levels.noise)}%"></span>
	{#if levels.clipped}<span class="word">too loud</span>{/if}
</div>

<style>
	.meter {
		position: relative;
		width: 5.5rem;
		height: 10px;
		border-radius: 5px;
		background: var(--line);
		overflow: visible;
	}
	.level {
		position: absolute;
		inset: 0 auto 0 0;
		border-radius: 5px;
		background: var(--felt);
	}
	.clipped .level {
		background: var(--warn);
	}
	.room {
		position: absolute;
		top: -4px;
		bottom: -4px;
		width: 2px;
		background: var(--ink);
	}
	.word {
		position: absolute;
		top: 12px;
		right: 0;
		font-size: 0.8rem;
		color: var(--warn);
	}
</style>
