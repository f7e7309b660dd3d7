<script lang="ts">
	import { onMount } from 'svelte';
	import { fifthTexts } from '@fendrel/core';
	import Staircase from '$lib/charts/Staircase.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { counted } from '$lib/ui/format';
	import Strip from '$lib/visit/Strip.svelte';
	import VisitFrame from '$lib/visit/VisitFrame.svelte';
	import PlanChoices from '$lib/visit/plan/PlanChoices.svelte';
	import TargetTable from '$lib/visit/plan/TargetTable.svelte';
	import { stretchWords } from '$lib/tuning/stretchWords';

	let { data } = $props();
	const open = $derived(data.open);
	const { visit, instrument, temperament, measured, record, plan, family, body, summary } = $derived(open);
	const thirds = $derived(
		plan.targets
			.filter(({ note, majorThird }) => note >= 53 && note <= 65 && majorThird !== undefined)
			.map(({ note, majorThird }) => ({ note, rate: majorThird! }))
	);
	const basis = $derived(
		plan.notesRead
			? `Beats follow the inharmonicity read on this instrument (${counted(plan.notesRead, 'note')}).`
			: `Beats follow the typical inharmonicity of such an instrument until strings are read.`
	);

	onMount(() => record.enter('plan'));
	const keys = [{ keys: '?', does: 'show or hide this list' }];
</script>

<VisitFrame {open} stage="plan">
	<div class="plan">
		<PlanChoices {open} stretched={stretchWords(plan, { ...instrument, measured }, visit.a4)} />
		<section class="pictures">
			<h2><b>How fast do the thirds beat?</b> <span>major thirds by their lower note, beats per second</span></h2>
			<Staircase treads={thirds} interval="major thirds" />
			<h2>
				<b>Where does every note go?</b>
				<span>fifths: {[...new Set(fifthTexts(temperament))].join(', ')} (P, S: Pythagorean, syntonic comma)</span>
			</h2>
			<TargetTable targets={plan.targets} />
			<p class="soft small">
				{basis} + wide, − narrow; empty where no ear follows the beat.
				{#if !plan.notesRead}<a class="anchor" href="/visits/{visit.id}/sound">Read them in Sound</a>{/if}
			</p>
		</section>
	</div>
	{#snippet strip()}
		<Strip {family} {body} notes={summary.notes}>
			{#snippet hint()}<Shortcuts {keys} />{/snippet}
		</Strip>
	{/snippet}
</VisitFrame>

<style>
	.plan {
		display: grid;
		grid-template-columns: minmax(20rem, 27rem) minmax(0, 1fr);
		height: 100%;
	}
	.pictures {
		padding: 1.25rem 1.5rem 0.75rem;
		display: flex;
		flex-direction: column;
		min-height: 0;
		min-width: 0;
	}
	h2 {
		font-family: inherit;
		font-size: 1rem;
	}
	h2 span {
		color: var(--soft);
	}
	h2:not(:first-child) {
		margin-top: 0.75rem;
		margin-bottom: 0.25rem;
	}
	.small {
		font-size: 0.85rem;
		padding-top: 0.5rem;
	}
	@media (max-width: 999px), (max-height: 699px) {
		.plan {
			grid-template-columns: minmax(0, 1fr);
		}
		.pictures {
			padding: 1rem;
		}
	}
	@media (min-width: 900px) and (max-width: 999px) {
		.plan {
			grid-template-columns: 20rem minmax(0, 1fr);
		}
	}
</style>
