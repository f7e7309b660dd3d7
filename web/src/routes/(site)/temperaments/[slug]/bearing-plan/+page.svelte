<script lang="ts">
	import { noteClassName, noteName } from '@fendrel/core';
	import { onMount, untrack } from 'svelte';
	import Printer from '@lucide/svelte/icons/printer';
	import { Comparison } from '$lib/bearing/comparison.svelte';
	import Ranking from '$lib/bearing/Ranking.svelte';
	import SheetBar from '$lib/bearing/SheetBar.svelte';
	import StepOrder from '$lib/bearing/StepOrder.svelte';
	import StepNow from '$lib/bearing/StepNow.svelte';
	import { octavesWithin, schoolsFor, startsWithin } from '$lib/bearing/sheet';
	import { SCHOOL_NAMES, SCHOOL_TEXTS } from '$lib/tuning/bearingWords';
	import { keysAsked } from '$lib/bearing/witness';
	import ListenBar from '$lib/pairs/ListenBar.svelte';
	import { PairListening } from '$lib/pairs/pairListening.svelte';
	import { ask } from '$lib/ui/address';
	import { bearingGround, bearingPlanOn } from '$lib/tuning/bearingPlan';
	import { choiceName } from '$lib/tuning/choice';
	import { basisOf } from '$lib/tuning/plan';
	import StandInNotice from '$lib/tuning/StandInNotice.svelte';
	import { fixed } from '$lib/ui/format';

	let { data } = $props();
	const choice = $derived(data.choice);
	const octaves = $derived(octavesWithin(choice));
	const starts = $derived(startsWithin(choice));
	/** What the address asks for, as far as this instrument has it. */
	const octave = $derived(octaves.find(({ index }) => index === data.sheet.octave) ?? octaves[0]);
	const start = $derived(
		starts.includes(data.sheet.start) ? data.sheet.start : (starts.find((note) => note % 12 === 9) ?? starts[0])
	);
	const wish = $derived({
		...{ basis: { ...basisOf(choice), fork: start }, school: data.sheet.school, start },
		...{ low: octave.low, high: octave.high, ear: data.ear }
	});
	const ground = $derived(bearingGround(wish.basis));
	const plan = $derived(bearingPlanOn(ground, wish));
	const pitchOf = (note: number) => ground.plan.targetOf(note)!.pitch;
	const schools = $derived(schoolsFor(choice.temperament));
	const shownName = $derived(
		data.root ? `${data.temperament.name} on ${noteClassName(data.root)}` : data.temperament.name
	);
	let at = $state(0);
	const current = $derived(Math.min(at, plan.steps.length - 1));
	$effect(() => {
		void plan;
		at = 0;
	});

	const heardFor = $derived({ plan: ground.plan, a4: choice.a4, asked: keysAsked(plan.steps[current]) });
	const pairs = untrack(() => new PairListening(data.listened, heardFor));
	$effect(() => pairs.follow(data.listened, heardFor));

	let comparison = $state.raw<Comparison>();
	onMount(() => {
		const opened = (comparison = new Comparison());
		const stop = pairs.open();
		return () => {
			opened.close();
			stop();
		};
	});
	$effect(() => comparison?.follow(wish, schools));
</script>

<svelte:head><title>Bearing plan, {shownName} | Fendrel</title></svelte:head>

<header>
	<h1>Bearing plan: <a href="/temperaments/{data.temperament.slug}">{shownName}</a></h1>
	<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => window.print()}
		><Printer size={16} /> Print</button
	>
</header>
<SheetBar {...{ choice, schools, start, starts, octaves }} school={data.sheet.school} octave={octave.index} />
<div class="ear"><ListenBar {pairs} /></div>
<StandInNotice name={data.standsInFor} />
<p class="soft about">
	{SCHOOL_NAMES[plan.school]}. {SCHOOL_TEXTS[plan.school]} On {choiceName(choice)}, {octave.name}, from {noteName(
		plan.start
	)} at {fixed(pitchOf(plan.start), 2)} Hz.
</p>

<div class="sheet">
	<StepNow
		{plan}
		{current}
		{pairs}
		strings={ground.strings}
		pitch={pitchOf(plan.steps[current].note)}
		a4={choice.a4}
		onchoose={(step) => (at = step)}
	/>
	<StepOrder
		{plan}
		{current}
		ear={data.sheet.ear}
		mine={data.mine}
		errors={comparison?.errors}
		onchoose={(step) => (at = step)}
	/>
</div>
<Ranking
	ranking={comparison?.ranking}
	ear={data.ear}
	progress={comparison?.share}
	failed={comparison?.failed}
	chosen={plan.school}
	errors={comparison?.errors}
	closing={plan.closing}
	onchoose={(school) => ask({ school })}
/>

<style>
	header {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		align-items: center;
		justify-content: space-between;
		margin-bottom: 0.75rem;
	}
	h1 a {
		text-decoration: underline;
		text-decoration-thickness: 1px;
		text-underline-offset: 0.15em;
	}
	.ear {
		margin-top: 0.6rem;
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
	@media (max-width: 999px) {
		.sheet {
			grid-template-columns: minmax(0, 1fr);
		}
	}
	@media print {
		header button,
		.ear {
			display: none;
		}
		.sheet {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
