<script lang="ts">
	import type { Snippet } from 'svelte';
	import LookSwitch from '$lib/ui/LookSwitch.svelte';
	import SavePictures from '$lib/ui/SavePictures.svelte';
	import { inHz } from '$lib/ui/format';
	import { format } from 'date-fns';
	import { STAGES, type Stage } from '@fendrel/core';
	import type { OpenVisit } from './openVisit.svelte';
	import Saved from './Saved.svelte';
	import Undo from './Undo.svelte';

	interface Props {
		open: OpenVisit;
		stage: Stage;
		status?: Snippet;
		children: Snippet;
		strip: Snippet;
		/** Told of a group whose taking was taken back, or stands again. */
		onundone?: (group: number) => void;
	}
	let { open, stage, status, children, strip, onundone }: Props = $props();
	const { visit, instrument, tunedTo } = $derived(open);
	const NAMES: Record<Stage, string> = {
		...{ arrive: 'Arrive', sound: 'Sound', plan: 'Plan', set: 'Set', prove: 'Prove', close: 'Close' }
	};
	const at = $derived(STAGES.indexOf(stage));
</script>

<svelte:head><title>{NAMES[stage]}: {instrument.name} | Fendrel</title></svelte:head>

<div class="visit">
	<header>
		<div class="what">
			<h1><a href="/instruments/{instrument.id}">{instrument.name}</a></h1>
			<p>Visit of {format(visit.startedAt, 'd MMMM')}, {tunedTo}, A4 = {inHz(visit.a4)}</p>
		</div>
		<nav aria-label="Stages of the visit" style="--at: {at}; --stages: {STAGES.length}">
			{#each STAGES as each (each)}
				{#if visit.finishedAt && each !== 'close'}
					<span class="closed">{NAMES[each]}</span>
				{:else}
					<a href="/visits/{visit.id}/{each}" aria-current={each === stage ? 'step' : undefined}>{NAMES[each]}</a>
				{/if}
			{/each}
		</nav>
		<div class="right">
			<div class="status">
				{@render status?.()}
				<Saved visitId={visit.id} kept={open.kept} />
			</div>
			{#if !visit.finishedAt}<Undo {open} {onundone} />{/if}
			<SavePictures />
			<LookSwitch isBrief />
		</div>
	</header>
	<div class="differ">
		{#if open.record.report.choices.length}
			<!-- Seldom do two devices differ: what asks comes when they do. -->
			{#await import('./Choices.svelte') then { default: Choices }}<Choices {open} />
			{:catch}<p class="problem" role="alert">Two devices differ here; reload the page to choose.</p>{/await}
		{/if}
	</div>
	<main>{@render children()}</main>
	<footer>{@render strip()}</footer>
</div>

<style>
	.visit {
		display: grid;
		grid-template-rows: auto auto minmax(0, 1fr) auto;
		min-height: calc(100dvh - var(--notice, 0px));
	}
	header {
		position: relative;
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto minmax(0, 1fr);
		gap: 1.5rem;
		align-items: stretch;
		padding: 0 1.5rem;
		border-bottom: 1px solid var(--line);
	}
	.what {
		align-self: center;
		padding: 0.4rem 0;
		min-width: 0;
	}
	h1 {
		font: inherit;
		font-weight: 700;
	}
	h1 a {
		display: block;
		min-height: 24px;
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.what p {
		font-size: 0.85rem;
		color: var(--soft);
	}
	nav {
		display: grid;
		grid-template-columns: repeat(var(--stages), 5.5rem);
		position: relative;
	}
	nav > * {
		display: flex;
		align-items: center;
		justify-content: center;
		min-height: 58px;
		color: var(--soft);
	}
	nav a[aria-current] {
		color: var(--ink);
		font-weight: 700;
	}
	nav .closed {
		opacity: 0.6;
	}
	nav::before,
	nav::after {
		content: '';
		position: absolute;
		left: 0;
		bottom: 4px;
		height: 3px;
		width: 100%;
		background: var(--line);
	}
	nav::after {
		width: calc(100% * (var(--at) + 1) / var(--stages));
		background: var(--felt);
	}
	.right {
		display: flex;
		align-items: center;
		justify-content: flex-end;
		gap: 0.35rem;
		min-width: 0;
	}
	.status {
		font-size: 0.85rem;
		text-align: right;
		line-height: 1.3;
		min-width: 0;
	}
	main {
		min-width: 0;
		min-height: 0;
	}
	@media (min-width: 1000px) and (min-height: 700px) {
		.visit {
			height: calc(100dvh - var(--notice, 0px));
		}
		main {
			overflow: hidden;
		}
	}
	@media (max-width: 560px) {
		.status {
			display: none;
		}
	}
	@media (max-width: 900px) {
		header {
			grid-template-columns: minmax(0, 1fr) auto;
			padding: 0 1rem;
			gap: 0 1rem;
		}
		nav {
			grid-column: 1 / -1;
			grid-row: 2;
			grid-template-columns: repeat(var(--stages), 1fr);
		}
		nav > * {
			min-height: 48px;
		}
	}
</style>
