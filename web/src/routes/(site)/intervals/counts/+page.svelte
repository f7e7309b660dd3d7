<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { page } from '$app/state';
	import { Analysis } from '$lib/counts/analysis.svelte';
	import CountedHere from '$lib/counts/CountedHere.svelte';
	import CountedBefore from '$lib/counts/CountedBefore.svelte';
	import HearCounts from '$lib/counts/HearCounts.svelte';
	import Found from '$lib/counts/Found.svelte';
	import { Board, usualReference } from '$lib/counts/board.svelte';
	import { send } from '$lib/device/send';
	import { PairListening } from '$lib/pairs/pairListening.svelte';
	import { EARS, type EarName } from '$lib/tuning/ears';
	import TuningBar from '$lib/tuning/TuningBar.svelte';
	import { ask } from '$lib/ui/address';
	import { octavesOf, signature } from '$lib/tuning/choice';
	import StandInNotice from '$lib/tuning/StandInNotice.svelte';
	import { basisOf, planFor } from '$lib/tuning/plan';
	import { stretchWord } from '$lib/tuning/stretch';
	import { counted, inSentence } from '$lib/ui/format';

	let { data } = $props();
	const choice = $derived(data.choice);
	const octaves = $derived(octavesOf(choice));
	let low = $state(untrack(() => data.kept?.low ?? octavesOf(data.choice)[0].low));
	let reference = $state(untrack(() => data.kept?.reference ?? usualReference(low)));
	let ear = $state<EarName>(untrack(() => data.kept?.ear ?? 'careful'));
	let tolerance = $state(1.5);
	const plan = $derived(planFor(choice));
	const strings = (note: number) => plan.targetOf(note)!.string;
	let board = $state.raw(untrack(() => new Board(low, strings, data.kept?.counts)));
	const wish = $derived({ plan, a4: choice.a4, asked: board.asked });
	const pairs = untrack(() => new PairListening(data.listened, wish, { onHeard: (heard) => board.hear(heard) }));
	$effect(() => pairs.follow(data.listened, wish));
	let kept = $state<string | undefined>();
	let problem = $state<string | undefined>();
	let analysis = $state.raw<Analysis>();
	onMount(() => {
		const opened = (analysis = new Analysis());
		const stop = pairs.open();
		return () => {
			opened.close();
			stop();
		};
	});

	/** A kept octave is laid out again; with another instrument or octave what was typed stays where it fits. */
	let laidOut = untrack(() => data.kept?.id);
	let builtFor = untrack(() => `${signature(choice)} ${low}`);
	$effect(() => {
		const { kept: before } = data;
		const now = `${signature(choice)} ${low}`;
		untrack(() => {
			if (before && before.id !== laidOut) {
				({ low, reference, ear } = before);
				board = new Board(low, strings, before.counts);
			} else if (!octaves.some((each) => each.low === low)) {
				low = octaves[0].low;
				reference = usualReference(low);
				board = new Board(low, strings);
			} else if (now !== builtFor) board = new Board(low, strings, board.entered);
			laidOut = before?.id;
			builtFor = `${signature(choice)} ${low}`;
		});
	});
	const counts = $derived(board.counts(ear));
	$effect(() => {
		const basis = $state.snapshot(basisOf(choice)) as ReturnType<typeof basisOf>;
		return analysis?.follow({
			...{ basis, reference, tolerance, bias: EARS[ear].bias, library: choice.temperaments },
			counts: $state.snapshot(counts) as typeof counts,
			heardB: board.heardB
		});
	});
	const verdict = $derived(analysis?.verdict(inSentence(choice.temperament.name), tolerance) ?? 'Working …');

	async function keep() {
		problem = undefined;
		const { instrument, kind, temperament, a4, stretch } = choice;
		const answer = await send<{ id: string }>('POST', '/api/counts', {
			...{ instrumentId: instrument?.id ?? null, kind, temperamentId: temperament.id, a4 },
			...{ stretch: stretchWord(stretch), low, reference, ear, counts: board.entered },
			verdict: verdict.slice(0, 300)
		});
		if ('problem' in answer) {
			problem = `Not kept: ${answer.problem} What you typed stays on this page.`;
			return;
		}
		laidOut = kept = answer.value.id;
		await ask({ kept });
	}
</script>

<svelte:head><title>From counted beats | Fendrel</title></svelte:head>

<div class="bar">
	<select
		class="select fit"
		aria-label="Octave"
		value={low}
		onchange={(event) => {
			low = Number(event.currentTarget.value);
			reference = usualReference(low);
		}}
	>
		{#each octaves as each (each.low)}<option value={each.low}>{each.name}</option>{/each}
	</select>
	<TuningBar {choice} />
</div>
<HearCounts {pairs} {board} />
<StandInNotice name={data.standsInFor} />
{#if data.unusable}
	<p class="notice" role="alert">That octave cannot be shown: it is not one of the octaves on this page.</p>
{/if}
<div class="sheet">
	<CountedHere
		{board}
		{low}
		bind:reference
		bind:ear
		asked={choice.temperament.name}
		marked={analysis?.marked ?? new Set()}
	/>
	<section class="found" aria-live="polite">
		<h1 data-testid="verdict">{verdict}</h1>
		{#if problem ?? analysis?.problem}<p class="problem" role="alert">{problem ?? analysis?.problem}</p>{/if}
		{#each board.problems as each (each)}<p class="problem" role="alert">{each} It is left out.</p>{/each}
		{#if analysis}
			{@const isKept = kept !== undefined && page.url.searchParams.get('kept') === kept}
			<Found {analysis} {reference} bind:tolerance kept={isKept} onkeep={keep} />
		{/if}
		{#if data.earlier.length}<CountedBefore earlier={data.earlier} />{/if}
		<p class="soft small">
			{counted(board.counters.ear, 'count')} by ear{board.counters.app ? `, ${board.counters.app} by the app` : ''} so far.
		</p>
	</section>
</div>

<style>
	.bar {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
	}
	.sheet {
		display: grid;
		grid-template-columns: minmax(20rem, 1.22fr) minmax(0, 1fr);
		gap: 1.5rem 2rem;
		margin-top: 1rem;
		border-top: 1px solid var(--line);
		padding-top: 1rem;
	}
	.found {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 0.75rem;
		align-content: start;
		min-width: 0;
	}
	h1 {
		font-size: 1.7rem;
	}
	.small {
		font-size: 0.9rem;
	}
	@media (max-width: 999px) {
		.sheet {
			grid-template-columns: minmax(0, 1fr);
		}
		.found {
			order: -1;
		}
	}
</style>
