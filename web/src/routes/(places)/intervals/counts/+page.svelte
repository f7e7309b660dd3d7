<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { wrap, type Remote } from 'comlink';
	import { onMount, untrack } from 'svelte';
	import { page } from '$app/state';
	import CountBoard from '$lib/counts/CountBoard.svelte';
	import Findings from '$lib/counts/Findings.svelte';
	import { Board, usualReference } from '$lib/counts/board.svelte';
	import { refusalWords, verdictOf } from '$lib/counts/words';
	import { pairName } from '$lib/ui/beats';
	import { EARS, type EarName } from '$lib/tuning/ears';
	import TuningBar from '$lib/tuning/TuningBar.svelte';
	import { ask } from '$lib/tuning/address';
	import { octavesOf, signature } from '$lib/tuning/choice';
	import Instead from '$lib/tuning/Instead.svelte';
	import { KIND_NAMES } from '$lib/tuning/kinds';
	import { planFor } from '$lib/tuning/plan';
	import { stretchWord } from '$lib/tuning/stretch';
	import { counted, inSentence, onShortDay } from '$lib/ui/format';
	import type { CountsAnswer, ProvingWorker } from '$lib/workers/proving';
	import Worker from '$lib/workers/proving.worker?worker';

	let { data } = $props();
	const choice = $derived(data.choice);
	const octaves = $derived(octavesOf(choice));
	const TOLERANCES = [1, 1.5, 2, 3];
	let low = $state(untrack(() => data.kept?.low ?? octavesOf(data.choice)[0].low));
	let reference = $state(untrack(() => data.kept?.reference ?? usualReference(low)));
	let ear = $state<EarName>(untrack(() => data.kept?.ear ?? 'careful'));
	let tolerance = $state(1.5);
	const plan = $derived(planFor(choice));
	const strings = (note: number) => plan.targetOf(note)!.string;
	let board = $state.raw(untrack(() => new Board(low, strings, data.kept?.counts)));
	let answer = $state.raw<CountsAnswer | undefined>();
	let shown = $state(0);
	let kept = $state<string | undefined>();
	let problem = $state<string | undefined>();
	let remote: Remote<ProvingWorker>;
	/** The worker is there; until then fields do nothing. */
	let alive = $state(false);

	onMount(() => {
		const worker = new Worker();
		remote = wrap<ProvingWorker>(worker);
		alive = true;
		return () => worker.terminate();
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
	let turn = 0;
	$effect(() => {
		if (!alive) return;
		const job = {
			basis: {
				kind: choice.kind,
				lowest: choice.lowest,
				highest: choice.highest,
				a4: choice.a4,
				stretch: choice.stretch,
				curve: choice.curve,
				temperament: { tuning: $state.snapshot(choice.temperament.tuning) },
				measured: choice.measured
			},
			counts: $state.snapshot(counts) as typeof counts,
			reference,
			bias: EARS[ear].bias,
			tolerance,
			library: choice.temperaments
		};
		const mine = ++turn;
		void remote
			.fromCounts(job)
			.then((result) => {
				if (mine !== turn) return;
				answer = result;
				shown = 0;
				problem = undefined;
			})
			.catch((fault: Error) => {
				if (mine === turn) problem = `The computation failed: ${fault.message}`;
			});
	});
	const found = $derived(answer?.kind === 'found' ? answer : undefined);
	const finding = $derived(found?.findings[shown] ?? found?.findings[0]);
	const several = $derived(!!found && (found.findings.length > 1 || found.more));
	/** Counts whose sense decides between the readings that fit. */
	const undecided = $derived(
		(found?.findings[0].solution.residuals ?? [])
			.filter((each, i) => found!.findings.some(({ solution }) => solution.residuals[i].sense !== each.sense))
			.map(({ count }) => pairName(count))
	);
	const verdict = $derived.by(() => {
		if (answer?.kind === 'refused') return refusalWords(answer.why).verdict;
		if (!found || !finding) return 'Working …';
		if (several)
			return `${found.findings.length}${found.more ? ' or more' : ''} octaves fit these counts; none is certain.`;
		return verdictOf(finding, inSentence(choice.temperament.name), tolerance);
	});
	const marked = $derived(
		new Set(
			finding?.solution.contradictions.map(({ index }) => {
				const { lower, upper } = finding.solution.residuals[index].count;
				return `${lower}-${upper}`;
			})
		)
	);

	async function keep() {
		problem = undefined;
		try {
			const response = await fetch('/api/counts', {
				method: 'POST',
				headers: { 'Content-Type': 'application/json' },
				body: JSON.stringify({
					instrumentId: choice.instrument?.id ?? null,
					kind: choice.kind,
					temperamentId: choice.temperament.id,
					a4: choice.a4,
					stretch: stretchWord(choice.stretch),
					low,
					reference,
					ear,
					counts: board.entered,
					verdict: verdict.slice(0, 300)
				})
			});
			const body = await response.json();
			if (!response.ok) throw new Error(body.message);
			laidOut = kept = body.id;
			await ask({ kept: body.id });
		} catch (fault) {
			problem = `Not kept: ${(fault as Error).message || 'the server does not answer.'} What you typed stays on this page.`;
		}
	}
</script>

<svelte:head><title>From counted beats | Fendrel</title></svelte:head>

<div class="bar">
	<select
		class="select fit"
		aria-label="Octave"
		value={low}
		disabled={!alive}
		onchange={(event) => {
			low = Number(event.currentTarget.value);
			reference = usualReference(low);
		}}
	>
		{#each octaves as each (each.low)}<option value={each.low}>{each.name}</option>{/each}
	</select>
	<TuningBar {choice} />
</div>
<Instead name={data.instead} />
{#if data.unusable}
	<p class="notice" role="alert">That counted octave cannot be laid out: it is none of the octaves on this page.</p>
{/if}
<div class="sheet">
	<section class="board">
		<h2 class="panel-heading">
			What do you count? <span>beats per second; the grey figures are what {choice.temperament.name} asks for</span>
		</h2>
		<div class="row">
			<label
				>By the fork
				<select class="select fit" bind:value={reference} disabled={!alive}>
					{#each { length: 13 } as _, i (i)}<option value={low + i}>{noteName(low + i)}</option>{/each}
				</select></label
			>
			<label
				>How sure
				<select class="select fit" bind:value={ear} disabled={!alive}>
					{#each Object.entries(EARS) as [name, { name: text, floor }] (name)}<option value={name}
							>{text}, ±{floor}</option
						>{/each}
				</select></label
			>
		</div>
		<CountBoard {board} {marked} disabled={!alive} />
	</section>
	<section class="found" aria-live="polite">
		<h1 data-testid="verdict">{verdict}</h1>
		{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
		{#each board.problems as each (each)}<p class="problem" role="alert">{each} It is left out.</p>{/each}
		{#if answer?.kind === 'refused'}
			<p>{refusalWords(answer.why).advice}</p>
		{:else if found && finding}
			{#if several}
				<p>
					Say wide or narrow for {undecided.join(', ')}: move away from pure on purpose and hear whether it grows
					faster.
				</p>
				<div class="row" role="group" aria-label="Octaves that fit">
					{#each found.findings as each, i (i)}
						<button type="button" class="choice" aria-pressed={shown === i} onclick={() => (shown = i)}
							>{i + 1}<span class="soft"> misfit {each.solution.chiSquared.toFixed(1)}</span></button
						>
					{/each}
				</div>
			{/if}
			<div class="row">
				<label
					>A note may stay within
					<select class="select fit" bind:value={tolerance}>
						{#each TOLERANCES as each (each)}<option value={each}>{each} cents</option>{/each}
					</select></label
				>
				<button type="button" class="btn preset-outlined-surface-300-700" onclick={keep}>Keep these counts</button>
				{#if kept && page.url.searchParams.get('kept') === kept}<span class="soft">Kept.</span>{/if}
			</div>
			<Findings {finding} {reference} />
		{/if}
		{#if data.earlier.length}
			<h2 class="panel-heading">Counted before</h2>
			<ul>
				{#each data.earlier as each (each.id)}
					{@const href = `/intervals/counts?${new URLSearchParams({
						...(each.instrumentId ? { instrument: each.instrumentId } : { kind: each.kind }),
						temperament: each.temperament,
						a4: String(each.a4),
						stretch: stretchWord(each.stretch),
						kept: each.id
					})}`}
					<li>
						<a {href}>{onShortDay(each.countedAt)}, {each.instrument ?? `${KIND_NAMES[each.kind]}, typical`}</a>
						<span class="soft">{each.verdict}</span>
					</li>
				{/each}
			</ul>
		{/if}
		<p class="soft small">{counted(board.entered.length, 'count')} so far.</p>
	</section>
</div>

<style>
	.bar,
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1.25rem;
		align-items: center;
	}
	.bar {
		gap: 0.5rem;
	}
	.sheet {
		display: grid;
		grid-template-columns: minmax(20rem, 1.22fr) minmax(0, 1fr);
		gap: 1.5rem 2rem;
		margin-top: 1rem;
		border-top: 1px solid var(--line);
		padding-top: 1rem;
	}
	.board,
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
	label {
		display: flex;
		gap: 0.5rem;
		align-items: center;
	}
	li {
		display: grid;
		padding: 0.35rem 0;
		border-bottom: 1px solid var(--line);
		font-size: 0.95rem;
	}
	li a {
		text-decoration: underline;
		color: var(--felt);
		min-height: 32px;
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
