<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { fixed, noteRuns, signed } from '$lib/ui/format';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import type { Judgement } from './judgement';
	import { standing, standingWords } from './standing';

	interface Props {
		open: KeyboardVisit;
		judgement: Judgement;
	}
	let { open, judgement }: Props = $props();
	const { state } = $derived(judgement);
	const strays = $derived(state.strays.strays.map(({ note }) => note));
	const unisons = $derived(state.unisons.map(({ note }) => note));
	const told = $derived([
		...(state.jump === undefined ? [] : [`${signed(state.jump)} at the break`]),
		...(strays.length
			? [`out of line: ${noteRuns(strays, noteName, 3)}`]
			: state.strays.finds === undefined
				? []
				: [`no note out of line by ${fixed(state.strays.finds, 0)}`]),
		...(state.unisonsHeard ? [`unisons that move: ${unisons.length} of ${state.unisonsHeard}`] : []),
		...(state.falseBeats.length ? [`false beats: ${noteRuns(state.falseBeats, noteName, 3)}`] : [])
	]);
	const standings = $derived(standingWords(standing(open, judgement), open.temperament));
</script>

<section aria-label="The state in figures">
	<table class="small-table">
		<thead
			><tr
				><th>cents</th>{#each state.sections as { id } (id)}<th>{id}</th>{/each}</tr
			></thead
		>
		<tbody>
			<tr
				><th>stands</th>{#each state.sections as { id, level } (id)}<td class:worst={id === state.worst?.id}
						>{signed(level)}</td
					>{/each}</tr
			>
			<tr
				><th>spread</th>{#each state.sections as { id, spread } (id)}<td>{fixed(spread, 1)}</td>{/each}</tr
			>
		</tbody>
	</table>
	<p>{told.join('; ')}{told.length ? '.' : ''}</p>
	{#each standings as { text, isGrave } (text)}<p class:grave={isGrave}>{text}.</p>{/each}
</section>

<style>
	section {
		padding: 0 1.5rem 1rem;
		font-size: 0.9rem;
		line-height: 1.35;
	}
	.worst {
		font-weight: 700;
	}
	p::first-letter {
		text-transform: uppercase;
	}
	.grave {
		color: var(--warn);
	}
</style>
