<script lang="ts">
	import { noteClassName, noteName } from '@fendrel/core';
	import { proxy, wrap, type Remote } from 'comlink';
	import { onMount } from 'svelte';
	import Play from '@lucide/svelte/icons/play';
	import Printer from '@lucide/svelte/icons/printer';
	import { BeatTone } from '$lib/audio/beatTone.svelte';
	import { Passages } from '$lib/audio/passages.svelte';
	import CurrentStep from '$lib/bearing/CurrentStep.svelte';
	import Ranking from '$lib/bearing/Ranking.svelte';
	import StepList from '$lib/bearing/StepList.svelte';
	import { FORKS, octavesWithin, schoolsFor, startsWithin } from '$lib/bearing/sheet';
	import { SCHOOL_NAMES, SCHOOL_TEXTS } from '$lib/bearing/words';
	import { EARS } from '$lib/tuning/ears';
	import TuningBar from '$lib/tuning/TuningBar.svelte';
	import { ask } from '$lib/tuning/address';
	import { choiceName } from '$lib/tuning/choice';
	import Instead from '$lib/tuning/Instead.svelte';
	import { planFor } from '$lib/tuning/plan';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import type { BearingJob, BearingWorker, RankedPlan } from '$lib/workers/bearing';
	import Worker from '$lib/workers/bearing.worker?worker';
	import { madePlan } from '$lib/workers/planErrors';
	import type { SimulatedErrors } from '@fendrel/core';

	let { data } = $props();
	const RUNS = 10_000;
	const choice = $derived(data.choice);
	const octaves = $derived(octavesWithin(choice));
	const starts = $derived(startsWithin(choice));
	/** What the address asks for, as far as this instrument has it. */
	const octave = $derived(octaves.find(({ place }) => place === data.sheet.octave) ?? octaves[0]);
	const start = $derived(
		starts.includes(data.sheet.start) ? data.sheet.start : (starts.find((note) => note % 12 === 9) ?? starts[0])
	);
	const job = $derived<BearingJob>({
		basis: {
			kind: choice.kind,
			lowest: choice.lowest,
			highest: choice.highest,
			a4: choice.a4,
			temperament: { tuning: choice.temperament.tuning },
			stretch: choice.stretch,
			curve: choice.curve,
			fork: start,
			measured: choice.measured
		},
		school: data.sheet.school,
		start,
		low: octave.low,
		high: octave.high,
		ear: EARS[data.sheet.ear]
	});
	const tuned = $derived(planFor(job.basis));
	const plan = $derived(madePlan(job));
	const schools = $derived(schoolsFor(choice.temperament));
	const shownName = $derived(
		data.root ? `${data.temperament.name} on ${noteClassName(data.root)}` : data.temperament.name
	);
	let at = $state(0);
	const current = $derived(Math.min(at, plan.steps.length - 1));
	const step = $derived(plan.steps[current]);
	$effect(() => {
		void plan;
		at = 0;
	});

	let errors = $state.raw<SimulatedErrors | undefined>();
	let ranking = $state.raw<readonly RankedPlan[] | undefined>();
	let progress = $state<number | undefined>();
	let failed = $state<string | undefined>();
	let remote: Remote<BearingWorker>;
	let alive = $state(false);
	const player = new Passages();
	const tone = new BeatTone();
	onMount(() => {
		const worker = new Worker();
		remote = wrap<BearingWorker>(worker);
		alive = true;
		return () => {
			worker.terminate();
			player.close();
			tone.close();
		};
	});
	let turn = 0;
	$effect(() => {
		if (!alive) return;
		const [mine, asked, others] = [++turn, job, schools];
		errors = ranking = failed = undefined;
		const onProgress = proxy((share: number) => {
			if (mine === turn) progress = share;
		});
		void (async () => {
			try {
				const own = await remote.errors(asked, RUNS, onProgress);
				if (mine !== turn) return;
				errors = own;
				const all = await remote.rank(asked, others, RUNS, onProgress);
				if (mine === turn) ranking = all;
			} catch (fault) {
				if (mine === turn) failed = `The errors could not be worked out: ${(fault as Error).message}`;
			} finally {
				if (mine === turn) progress = undefined;
			}
		})();
	});

	function go(to: number) {
		tone.stop();
		at = Math.min(Math.max(to, 0), plan.steps.length - 1);
	}
	/** The interval as it shall sound; for the reference the note alone. */
	function strike() {
		tone.stop();
		const lead = step.by[0]?.edge;
		const notes = lead ? [lead.lower, lead.upper] : [step.note];
		const voices = notes.map((note) => ({ note, string: tuned.targetOf(note)!.string }));
		void player.play('step', [[{ at: 0, seconds: 4, voices }]]);
	}
	function beat() {
		const lead = step.by[0]?.edge;
		player.stop();
		if (tone.playing || !lead) tone.stop();
		else void tone.start(lead.heardAt, Math.abs(lead.rate));
	}
	function onkeydown(event: KeyboardEvent) {
		if ((event.target as HTMLElement).closest('input, textarea, select, button, a')) return;
		if (event.ctrlKey || event.metaKey || event.altKey) return;
		const does: Record<string, () => void> = {
			PageDown: () => go(current + 1),
			PageUp: () => go(current - 1),
			ArrowDown: () => go(current + 1),
			ArrowUp: () => go(current - 1),
			' ': strike,
			b: beat
		};
		if (!does[event.key]) return;
		event.preventDefault();
		does[event.key]();
	}
	const keys = [
		{ keys: 'Page Down, ↓', does: 'next note (pedal)' },
		{ keys: 'Page Up, ↑', does: 'the note before' },
		{ keys: 'Space', does: 'hear the interval as it shall sound' },
		{ keys: 'B', does: 'hear its beat alone' },
		{ keys: '?', does: 'show or hide this list' }
	];
</script>

<svelte:window {onkeydown} />
<svelte:head><title>Bearing plan, {shownName} | Fendrel</title></svelte:head>

<header>
	<h1>Bearing plan: <a href="/temperaments/{data.temperament.slug}">{shownName}</a></h1>
	<div class="acts">
		<button type="button" class="btn preset-outlined-surface-300-700" disabled={!alive} onclick={() => window.print()}
			><Printer size={16} /> Print</button
		>
	</div>
</header>
<fieldset class="bar" disabled={!alive}>
	<select
		class="select fit"
		aria-label="School"
		value={data.sheet.school}
		onchange={(event) => ask({ school: event.currentTarget.value })}
	>
		{#each schools as id (id)}<option value={id}>{SCHOOL_NAMES[id]}</option>{/each}
	</select>
	<select
		class="select fit"
		aria-label="Start"
		value={start}
		onchange={(event) => ask({ start: event.currentTarget.value })}
	>
		<optgroup label="Forks">
			{#each FORKS.filter((fork) => starts.includes(fork)) as note (note)}<option value={note}
					>from {noteName(note)}</option
				>{/each}
		</optgroup>
		<optgroup label="Any note">
			{#each starts.filter((note) => !FORKS.some((fork) => fork === note)) as note (note)}
				<option value={note}>from {noteName(note)}</option>
			{/each}
		</optgroup>
	</select>
	<select
		class="select fit"
		aria-label="Temperament octave"
		value={octave.place}
		onchange={(event) => ask({ octave: event.currentTarget.value })}
	>
		{#each octaves as { name, place } (name)}<option value={place}>{name}</option>{/each}
	</select>
	<TuningBar {choice} fixedTemperament />
</fieldset>
<Instead name={data.instead} />
<p class="soft about">
	{SCHOOL_NAMES[plan.school]}. {SCHOOL_TEXTS[plan.school]} On {choiceName(choice)}, {octave.name}, from {noteName(
		plan.start
	)} at {tuned.targetOf(plan.start)!.pitch.toFixed(2)} Hz.
</p>

<div class="sheet">
	<section class="now" aria-label="The step to do now" aria-live="polite">
		<p class="soft">Step {current + 1} of {plan.steps.length}</p>
		<CurrentStep {step} pitch={tuned.targetOf(step.note)!.pitch} a4={choice.a4} />
		<div class="acts">
			<button type="button" class="btn preset-filled-brand" disabled={!alive} onclick={strike}
				><Play size={16} />
				{step.by.length ? 'Hear the interval' : 'Hear the note'}</button
			>
			{#if step.by.length}
				<button type="button" class="btn preset-outlined-surface-300-700" disabled={!alive} onclick={beat}
					>{tone.playing ? 'Stop the beat' : 'Hear the beat'}</button
				>
			{/if}
		</div>
		<div class="acts">
			<button
				type="button"
				class="btn preset-outlined-surface-300-700"
				disabled={!alive || current === 0}
				onclick={() => go(current - 1)}>Back</button
			>
			<button
				type="button"
				class="btn preset-outlined-surface-300-700"
				disabled={!alive || current === plan.steps.length - 1}
				onclick={() => go(current + 1)}>Next note</button
			>
			<Shortcuts {keys} />
		</div>
		{#if player.problem ?? tone.problem}<p class="problem" role="alert">{player.problem ?? tone.problem}</p>{/if}
	</section>
	<section class="list">
		<div class="listhead">
			<h2 class="panel-heading">
				In which order, and how sure? <span
					>± what this ear accumulates, {RUNS.toLocaleString('en')} simulated tunings</span
				>
			</h2>
			<select
				class="select fit"
				aria-label="Ear"
				disabled={!alive}
				value={data.sheet.ear}
				onchange={(event) => ask({ ear: event.currentTarget.value })}
			>
				{#each Object.entries(EARS) as [name, { name: text, floor }] (name)}<option value={name}
						>{text}, ±{floor}</option
					>{/each}
			</select>
		</div>
		<StepList steps={plan.steps} {current} errors={errors?.notes.map(({ error }) => error)} onchoose={go} />
		{#if plan.unreached.length}
			<p class="notice">
				No interval that can be counted leads to {plan.unreached.map(noteName).join(', ')} here: set
				{plan.unreached.length === 1 ? 'it' : 'them'} by octaves.
			</p>
		{/if}
	</section>
</div>
<Ranking
	{ranking}
	ear={EARS[data.sheet.ear]}
	{progress}
	{failed}
	chosen={plan.school}
	{errors}
	closing={plan.closing}
	onchoose={(school) => ask({ school })}
/>

<style>
	.bar > .select {
		max-width: min(13rem, 100%);
	}
	.listhead {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1rem;
		align-items: center;
		justify-content: space-between;
	}
	.listhead h2 {
		flex: 1;
		min-width: 12rem;
	}
	header,
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		align-items: center;
	}
	header {
		justify-content: space-between;
		margin-bottom: 0.75rem;
	}
	h1 a {
		text-decoration: underline;
		text-decoration-thickness: 1px;
		text-underline-offset: 0.15em;
	}
	.bar {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	.about {
		margin: 0.6rem 0 0;
		font-size: 0.95rem;
	}
	.sheet {
		display: grid;
		grid-template-columns: minmax(20rem, 29rem) minmax(0, 1fr);
		gap: 1.5rem 2.5rem;
		border-top: 1px solid var(--line);
		margin-top: 0.75rem;
		padding-top: 0.75rem;
	}
	.now {
		display: grid;
		gap: 0.75rem;
		align-content: start;
		position: sticky;
		top: 0.5rem;
		align-self: start;
	}
	@media (max-width: 999px) {
		.sheet {
			grid-template-columns: minmax(0, 1fr);
		}
		.now {
			position: static;
		}
	}
	@media print {
		.listhead select,
		.bar,
		.acts,
		.now {
			display: none;
		}
		.sheet {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
