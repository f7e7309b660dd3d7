<script lang="ts">
	import { onMount } from 'svelte';
	import { A4_PRESETS, filingCost, hz, isBench, LEVELS, reedTargets, type IntonationLevel } from '@fendrel/core';
	import ReedPlates from '$lib/charts/ReedPlates.svelte';
	import ReedStrip from '$lib/charts/ReedStrip.svelte';
	import { counted, fixed } from '$lib/ui/format';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { LEVEL_NAMES } from '../intonationWords';
	import type { ReedPlan } from '../reedPlan';
	import type { ReedVisit } from '../reedVisit.svelte';
	import TwoColumns from '../TwoColumns.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import A4Choice from '../plan/A4Choice.svelte';
	import ToleranceChoice from '../plan/ToleranceChoice.svelte';
	import BeatForecast from './BeatForecast.svelte';
	import DegreeTable from './DegreeTable.svelte';
	import KeyChanged from './KeyChanged.svelte';
	import { foundHeadline } from './reedWords';

	let { open }: { open: ReedVisit } = $props();
	const { visit, reeds, body, intonation, levels } = $derived(open);
	onMount(() => open.record.enter('plan'));

	/** Breaths are fixed with the plan: targets do not move under the file. */
	function plan(changes: Partial<ReedPlan>) {
		const { gentle, playing } = levels;
		const hasRead = reeds.some(({ standing }) => standing);
		open.replan({ intonation: { ...intonation, ...(hasRead ? { gentle, playing } : {}), ...changes } });
	}
	/** What a level asks of every reed that has been read, in cents. */
	function costOf(level: IntonationLevel) {
		const targets = reedTargets(body, {
			...{ a4: hz(visit.a4), levels, floors: open.floors, intonation: { ...intonation, level } },
			slopeOf: (group) => reeds.find((each) => each.group === group)?.slope
		});
		const moves = targets.flatMap(({ group, gentle }) => {
			const reed = reeds.find((each) => each.group === group);
			return reed?.off === undefined ? [] : [gentle - (reed.gentle + reed.off)];
		});
		return { ...filingCost(moves, visit.tolerance), read: moves.length };
	}
	const costs = $derived(LEVELS.map((level) => ({ level, cost: costOf(level) })));
	const isSingle = $derived(isBench(body));
	const levelsOffered = $derived(isSingle ? costs.filter(({ level }) => level === 'equal') : costs);

	/** Reeds stand near modern pitch. */
	const PRESETS = A4_PRESETS.filter((each) => each >= 430 && each < 450);
	const TASTES = [
		{ id: 'just', label: 'as just as the rest' },
		{ id: '-15', label: 'a compromise, −15' },
		{ id: '0', label: 'left equal' }
	];
	const NINTHS = [
		{ id: 'just', label: 'as just as the rest' },
		{ id: '0', label: 'left equal' }
	];
	const tasteOf = (value: number | null) => (value === null ? 'just' : String(value));
	const SHARES = [
		{ id: 1, label: 'just' },
		{ id: 0.5, label: 'half-way, equal to just' }
	];

	const LEVEL_SAYS: Record<IntonationLevel, string> = {
		equal: 'melody clean, chords rough; each reed by itself',
		octaves: 'the same places, proved pair by pair as one plays',
		chords: 'thirds low, fifths pure; by degree from the tonic'
	};
	const keys = [{ keys: '?', does: 'show or hide this list' }];
	/** As reeds stand, against this plan. */
	const toMove = $derived(reeds.filter(({ off }) => off !== undefined && Math.abs(off) > visit.tolerance).length);
</script>

<VisitFrame {open} stage="plan">
	<TwoColumns>
		{#snippet column()}
			<p class="headline" data-testid="verdict">
				{foundHeadline(reeds)}
				{#if toMove}{counted(toMove, 'reed')} to file.{/if}
			</p>
			<KeyChanged {open} />
			<fieldset>
				<legend>How far?</legend>
				<div class="levels" role="group" aria-label="Level">
					{#each levelsOffered as { level, cost } (level)}
						<button
							type="button"
							class="level"
							aria-pressed={intonation.level === level}
							onclick={() => plan({ level })}
						>
							<b>{LEVEL_NAMES[level]}</b>
							<span class="soft">{LEVEL_SAYS[level]}</span>
							{#if cost.read}
								<span class="soft"
									>{fixed(cost.up, 0)} cents up, {fixed(cost.down, 0)} down; {counted(cost.left, 'reed')} left</span
								>
							{:else}<span class="soft">what it costs is said once reeds are read</span>{/if}
						</button>
					{/each}
				</div>
			</fieldset>
			{#if intonation.level === 'chords'}
				<fieldset class="tastes">
					<legend>How just?</legend>
					<label
						><span>Chords</span>
						<select
							class="select"
							value={intonation.share}
							onchange={(event) => plan({ share: Number(event.currentTarget.value) })}
						>
							{#each SHARES as { id, label } (id)}<option value={id}>{label}</option>{/each}
						</select></label
					>
					<label
						><span>Draw seventh</span>
						<select
							class="select"
							value={tasteOf(intonation.seventh)}
							onchange={({ currentTarget: { value } }) => plan({ seventh: value === 'just' ? null : Number(value) })}
						>
							{#each TASTES as { id, label } (id)}<option value={id}>{label}</option>{/each}
						</select></label
					>
					<label
						><span>Draw ninth</span>
						<select
							class="select"
							value={tasteOf(intonation.ninth)}
							onchange={({ currentTarget: { value } }) => plan({ ninth: value === 'just' ? null : Number(value) })}
						>
							{#each NINTHS as { id, label } (id)}<option value={id}>{label}</option>{/each}
						</select></label
					>
				</fieldset>
			{/if}
			<A4Choice {open} presets={PRESETS} hint="a harmonica is often set a little high for the breath" />
			<ToleranceChoice {open} hint="cents; within it a reed is left" />
			<p class="soft">
				Targets are for playing breath, {fixed(levels.playing - levels.gentle, 0)} dB over the gentle breath that reeds are
				read at: reeds that fall when blown harder are left that much sharp.
			</p>
			<div class="flex flex-wrap gap-3">
				<a class="btn preset-filled-brand" href="/visits/{visit.id}/set">Set</a>
				<a class="btn preset-outlined-surface-300-700" href="/visits/{visit.id}/plan/plate">Print the plates</a>
			</div>
		{/snippet}
		{#snippet pictures()}
			<ReedPlates {reeds} says="cents from the plan" height={118} />
			<DegreeTable {open} onown={(own) => plan({ own })} />
			{#if !isSingle}<BeatForecast {open} />{/if}
		{/snippet}
	</TwoColumns>
	{#snippet strip()}
		<ReedStrip {reeds}>
			{#snippet hint()}<Shortcuts {keys} />{/snippet}
		</ReedStrip>
	{/snippet}
</VisitFrame>

<style>
	.headline {
		font-family: var(--serif);
		font-size: 1.7rem;
		line-height: 1.15;
	}
	legend {
		font-weight: 600;
		margin-bottom: 0.35rem;
	}
	.levels {
		display: grid;
		gap: 0.4rem;
	}
	.level {
		display: grid;
		text-align: left;
		padding: 0.5rem 0.8rem;
		border: 1px solid var(--line);
		border-radius: var(--radius-base);
		cursor: pointer;
	}
	.level b::first-letter {
		text-transform: uppercase;
	}
	.level[aria-pressed='true'] {
		border-color: var(--felt);
		box-shadow: inset 3px 0 0 var(--felt);
	}
	.tastes {
		display: grid;
		gap: 0.4rem;
	}
	.tastes label {
		display: grid;
		grid-template-columns: 8rem minmax(0, 1fr);
		align-items: center;
	}
</style>
