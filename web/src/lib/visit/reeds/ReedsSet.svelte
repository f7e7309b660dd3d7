<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { BITE_RULES, chordBeats, octavesOf, type BiteRule, type Reading } from '@fendrel/core';
	import FilingTrace from '$lib/charts/FilingTrace.svelte';
	import ReedPlates from '$lib/charts/ReedPlates.svelte';
	import ReedStrip from '$lib/charts/ReedStrip.svelte';
	import { capital, counted, fixed, signed } from '$lib/ui/format';
	import { leaveButton, typedInto } from '$lib/ui/keys';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import type { ReedVisit } from '../reedVisit.svelte';
	import TwoColumns from '../TwoColumns.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import BreathButtons from '$lib/tones/BreathButtons.svelte';
	import { WAYS_TO_BLOW } from '$lib/tones/breaths';
	import DueReed from './DueReed.svelte';
	import ListeningStatus from '../ListeningStatus.svelte';
	import { ReedBench } from './reedBench.svelte';
	import { adviceWords, beatWords, strokesWords } from './reedWords';

	let { open }: { open: ReedVisit } = $props();
	const { visit, reeds, body, intonation } = $derived(open);
	const order = () => open.family.order(open.body, open.intonation.level).map(({ note }) => note);
	/** The last reading of the due reed: what is taken rests on it. */
	let last = $state<{ readonly group: number; readonly reading: string } | undefined>();

	const bench = untrack(
		() =>
			new ReedBench(open, order, (reading: Reading, group) => {
				last = { group, reading: reading.id };
				if (group !== bench.due || open.reed(group)?.advice?.is !== 'leave') return;
				bench.accept(reading.id);
				const { name } = open.reed(group)!;
				bench.goOn();
				bench.notice = { text: `${name} stands: set.` };
			})
	);
	onMount(() => {
		// Come back to, it goes on where it was left; else with the first reed that is not set.
		const goesOn = open.record.report.stage === 'set';
		open.record.enter('set');
		const first = order().find((group) => !open.reed(group)?.isSet);
		if (!goesOn && first !== undefined) bench.goTo(first);
		return bench.begin();
	});
	// A drone ends with the sound that it is played by.
	$effect(() => {
		if (bench.listening.state !== 'on') bench.drones = bench.isLearning = false;
	});
	const due = $derived(bench.reed);
	const advice = $derived(due?.advice);
	const filing = $derived(advice?.is === 'file' ? advice : undefined);
	const done = $derived(reeds.filter(({ isSet }) => isSet).length);
	const BITES: Record<BiteRule, string> = {
		learned: 'by what a stroke is known to do',
		half: 'always half',
		all: 'all that is left'
	};
	const says = $derived.by(() => {
		if (bench.isLearning) return 'A moment: listening to the target alone.';
		if (due?.bite && !bench.sounds)
			return `${capital(strokesWords(due.bite.strokes))} at the ${due.bite.end}. Close the gap, then sound it.`;
		if (bench.isBending) return 'Bend down to where it ends, and hold it there.';
		if (bench.sounds) return 'It sounds; it is read when it ends.';
		if (!advice || !due) return 'Sound it.';
		return due.isSet ? 'Set.' : adviceWords(advice);
	});
	/** How the due reed will beat with its octave at playing breath. */
	const octave = $derived.by(() => {
		if (!due || due.role !== 'own') return undefined;
		const pair = octavesOf(body.layout.holes).find((two) =>
			two.some(({ hole, plate }) => hole === due.hole && plate === due.plate)
		);
		if (!pair) return undefined;
		const playing = open.playing('now');
		const two = pair.map((each) => playing.find(({ hole, plate }) => hole === each.hole && plate === each.plate));
		if (!two[0] || !two[1]) return undefined;
		const other = pair.find(({ hole }) => hole !== due.hole)!;
		return { hole: other.hole, rate: chordBeats(open.tonic, [two[0], two[1]])[0]?.rate ?? 0 };
	});
	/** How the due reed came where it stands: after each bite that was read. */
	const came = $derived.by(() => {
		if (!due) return [];
		const [first] = due.bites;
		const from = due.gentle;
		let strokes = 0;
		const points = due.bites.map((bite) => ({ strokes: (strokes += bite.strokes), off: bite.after - from }));
		if (first) return [{ strokes: 0, off: first.before - from }, ...points];
		return due.off === undefined ? [] : [{ strokes: 0, off: due.off }];
	});
	const leave = () => {
		bench.accept(last?.group === bench.due ? last.reading : null);
		bench.goOn();
	};
	const KEYS = [
		{ keys: 'PageDown', does: 'count a stroke where the advice says (pedal)' },
		{ keys: 'T, R', does: 'count a stroke at the tip, at the root' },
		{ keys: 'Backspace', does: 'take a counted stroke back (microphone)' },
		{ keys: '1 2 3 4', does: 'blow softly, as one plays, hard, a swell (simulated reeds)' },
		{ keys: 'D', does: 'play its target over the loudspeaker, or stop it' },
		{ keys: 'L', does: 'leave it as it stands' },
		{ keys: 'N, P', does: 'the next reed, the one before' },
		{ keys: '?', does: 'show or hide this list' }
	];
	function onkeydown(event: KeyboardEvent) {
		if (typedInto(event) || event.ctrlKey) return;
		const key = event.key.toLowerCase();
		if (key === 'pagedown') bench.stroke(bench.end ?? 'tip');
		else if (key === 't') bench.stroke('tip');
		else if (key === 'r') bench.stroke('root');
		else if (key === 'backspace') bench.uncount();
		else if (key === 'd') bench.toggleDrone();
		else if (key === 'l') leave();
		else if (key === 'n') bench.goOn();
		else if (key === 'p') bench.goOn(-1);
		else return;
		event.preventDefault();
	}
	const ENDS = ['tip', 'root'] as const;
</script>

<svelte:window {onkeydown} onclick={leaveButton} />

<VisitFrame {open} stage="set" onundone={(group) => group && bench.goTo(group)}>
	{#snippet status()}<ListeningStatus listening={bench.listening} to="tones that last" />{/snippet}
	<TwoColumns>
		{#snippet column()}
			<DueReed {open} {bench} {says} within={visit.tolerance} />
			{#if due}
				<div class="strokes" role="group" aria-label="Strokes">
					{#each ENDS as end (end)}
						<button
							type="button"
							class="btn {bench.end === end ? 'preset-filled-brand' : 'preset-outlined-surface-300-700'}"
							onclick={() => bench.stroke(end)}>Stroke: {end}</button
						>
					{/each}
					<button type="button" class="btn preset-outlined-surface-300-700" onclick={leave}>Leave it</button>
				</div>
				{#if bench.listening.state === 'on'}
					<div class="aids">
						<button type="button" class="choice" aria-pressed={bench.drones} onclick={() => bench.toggleDrone()}
							>Play its target</button
						>
						{#if !bench.listening.simulated}
							<label
								><input type="checkbox" class="checkbox" bind:checked={bench.countsByEar} /> Count strokes by the file’s sound</label
							>
						{/if}
					</div>
				{/if}
				{#if bench.listening.simulated}<BreathButtons ways={WAYS_TO_BLOW} onblow={(way) => bench.blow(way)} />{/if}
				<dl>
					<dt>A stroke here does</dt>
					<dd>
						{fixed(due.stroke(bench.end ?? 'tip').cents, 1)} ±{fixed(
							due.stroke(bench.end ?? 'tip').cents * due.stroke(bench.end ?? 'tip').error,
							1
						)} c
					</dd>
					<dt>{due.standing?.isSlopeRead ? 'Follows the breath' : 'Usually follows the breath'}</dt>
					<dd>{signed(due.slope.slope, 2)} c/dB</dd>
					<dt>Filed so far, tip and root</dt>
					<dd>{due.tip}, {due.root}</dd>
					{#if octave}
						<dt>With hole {octave.hole}, an octave</dt>
						<dd>{beatWords(octave.rate)}</dd>
					{/if}
				</dl>
				{#if filing?.isWeak}
					<p class="notice">It has been filed at both ends for long: it grows weak. Leave it, or replace it.</p>
				{/if}
				{#if due.role === 'auxiliary'}
					<p class="soft">
						An auxiliary reed: damp the reed above it while you read it, lift it out of its slot, and put it back inside
						afterwards. Putty on its tip lowers it on trial. Where a bend ends with this player:
						{fixed(open.floors.auxiliary, 0)} cents above it.
					</p>
				{/if}
				{#if bench.bend}
					<p class="soft">
						{open.family.groupName(bench.bend.bends)} bends down over this reed.
						<button
							type="button"
							class="choice"
							disabled={!due.standing}
							aria-pressed={bench.isBending}
							onclick={() => (bench.isBending = !bench.isBending)}>Read the bend</button
						>
					</p>
				{/if}
				<label class="bite">
					<span class="soft">A bite takes</span>
					<select
						class="select fit"
						value={intonation.bite}
						onchange={({ currentTarget: { value } }) =>
							open.replan({ intonation: { ...intonation, bite: BITE_RULES.find((rule) => rule === value)! } })}
					>
						{#each BITE_RULES as rule (rule)}<option value={rule}>{BITES[rule]}</option>{/each}
					</select>
				</label>
				<p class="soft">
					Support the reed from beneath, stroke outwards, brush the slot, look at the gap, then read. Wear a mask; wipe
					the dust up wet, never blow it.
				</p>
			{/if}
		{/snippet}
		{#snippet pictures()}
			<ReedPlates
				{reeds}
				due={bench.due}
				says="cents from the plan; filled: set"
				height={130}
				onchoose={(group) => bench.goTo(group)}
			/>
			<h2><b>How did this reed come here?</b> <span>cents from the plan by strokes</span></h2>
			<FilingTrace points={came} next={filing} height={130} />
			<p class="soft">
				{counted(done, 'reed')} of {reeds.length} set.
				<a class="anchor" href="/visits/{visit.id}/prove">Go on to Prove</a>
			</p>
		{/snippet}
	</TwoColumns>
	{#snippet strip()}
		<ReedStrip {reeds} current={bench.due} onselect={(group) => bench.goTo(group)}>
			{#snippet hint()}<span class="soft">Pedal: a stroke. <Shortcuts keys={KEYS} /></span>{/snippet}
		</ReedStrip>
	{/snippet}
</VisitFrame>

<style>
	.strokes {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	dl {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
	}
	dt,
	dd {
		padding: 0.4rem 0;
		border-bottom: 1px solid var(--line);
	}
	dd {
		font-family: var(--mono);
		text-align: right;
	}
	.aids {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem 1rem;
		align-items: center;
	}
	.bite {
		display: flex;
		gap: 0.5rem;
		align-items: center;
	}
</style>
