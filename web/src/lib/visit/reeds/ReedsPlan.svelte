<script lang="ts">
	import { onMount } from 'svelte';
	import {
		A4_PRESETS,
		asReferencePitch,
		BREATHS,
		chordBeats,
		chordsOf,
		degreeOf,
		filingCost,
		hz,
		isBench,
		LEVELS,
		octavesOf,
		outOfTune,
		reedOffset,
		reedTargets,
		TOLERANCES,
		type IntonationLevel,
		type StandingReed
	} from '@fendrel/core';
	import ReedPlates from '$lib/charts/ReedPlates.svelte';
	import ReedStrip from '$lib/charts/ReedStrip.svelte';
	import { counted, inHz, signed } from '$lib/ui/format';
	import ScrollTable from '$lib/ui/ScrollTable.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { typedNumber } from '$lib/ui/typed';
	import { parseA4 } from '../a4';
	import { LEVEL_NAMES } from '../intonationWords';
	import type { ReedPlan } from '../reedPlan';
	import type { ReedVisit } from '../reedVisit.svelte';
	import TwoColumns from '../TwoColumns.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import KeyChanged from './KeyChanged.svelte';
	import { beatWords, foundHeadline, roughestOf } from './reedWords';

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

	let a4Text = $derived(inHz(visit.a4));
	let a4Problem = $state<string | undefined>();
	function typeA4(text: string) {
		const parsed = parseA4(text);
		a4Problem = 'problem' in parsed ? parsed.problem : undefined;
		if ('value' in parsed && parsed.value !== visit.a4) open.replan({ a4: parsed.value });
	}

	/** Degrees that the set has, on either plate. */
	const degrees = $derived(
		[...new Set(reeds.filter(({ role }) => role === 'own').map(({ note }) => ((note % 12) + 12) % 12))].sort(
			(a, b) => a - b
		)
	);
	const offsetOf = (degree: number, plate: 'blow' | 'draw') => {
		const reed = reeds.find(
			({ note, plate: of, role }) => role === 'own' && of === plate && ((note % 12) + 12) % 12 === degree
		);
		return reed && reedOffset(reed.note, plate, intonation);
	};
	let ownProblem = $state<string | undefined>();
	function typeOwn(degree: number, text: string) {
		const { [degree]: _, ...rest } = intonation.own;
		const value = typedNumber(text);
		ownProblem = undefined;
		if (text.trim() === '') return plan({ own: rest });
		if (!(Math.abs(value) <= 100)) {
			ownProblem = `The ${degreeOf(degree)} stays as it was: write cents from −100 to 100.`;
			return;
		}
		plan({ own: { ...rest, [degree]: value } });
	}
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

	/** Octaves and chords as they will beat, at three breaths. */
	const sounds = $derived.by(() => {
		const planned = open.playing('planned');
		const reedAt = (place: { hole: number; plate: string }) =>
			planned.find(({ hole, plate }) => hole === place.hole && plate === place.plate);
		const all = [...octavesOf(body.layout.holes), ...chordsOf(body.layout.holes)];
		return all.flatMap((places) => {
			const own = places.map(reedAt);
			if (!own.every((each): each is StandingReed => each !== undefined)) return [];
			const beats = BREATHS.map((breath) => chordBeats(open.tonic, own, open.harder(breath)));
			if (beats[1].length === 0) return [];
			const out = outOfTune(beats[1]);
			return [
				{
					name: `${places[0].plate === 'blow' ? 'Blow' : 'Draw'} ${places.map(({ hole }) => hole).join('-')}`,
					is: places.length === 2 ? 'octave' : 'chord',
					beats: beats.map((pairs) => roughestOf(pairs)!),
					out: out && `${out.plate === 'blow' ? 'Blow' : 'Draw'} ${out.hole}`
				}
			];
		});
	});
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
									>{cost.up.toFixed(0)} cents up, {cost.down.toFixed(0)} down; {counted(cost.left, 'reed')} left</span
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
			<fieldset>
				<legend>A4, Hz <span class="soft">a harmonica is often set a little high for the breath</span></legend>
				<div class="presets">
					{#each A4_PRESETS.filter((each) => each >= 430 && each < 450) as preset (preset)}
						<button
							type="button"
							class="choice mono"
							aria-pressed={visit.a4 === preset}
							onclick={() => typeA4(String(preset))}>{preset}</button
						>
					{/each}
					<input
						class="input mono"
						inputmode="decimal"
						aria-label="A4 in hertz, any value from 380 to 480"
						aria-invalid={!!a4Problem}
						bind:value={a4Text}
						onchange={() => typeA4(a4Text)}
					/>
				</div>
				{#if a4Problem}<p class="problem" role="alert">{a4Problem} The plan stays at {inHz(visit.a4)} Hz.</p>{/if}
			</fieldset>
			<fieldset>
				<legend>Tolerance <span class="soft">cents; within it a reed is left</span></legend>
				<div class="presets">
					{#each TOLERANCES as each (each)}
						<button
							type="button"
							class="choice mono"
							aria-pressed={visit.tolerance === each}
							onclick={() => each !== visit.tolerance && open.replan({ tolerance: each })}>{each}</button
						>
					{/each}
				</div>
			</fieldset>
			<p class="soft">
				Targets are for playing breath, {(levels.playing - levels.gentle).toFixed(0)} dB over the gentle breath that reeds
				are read at: reeds that fall when blown harder are left that much sharp.
			</p>
			<div class="flex flex-wrap gap-3">
				<a class="btn preset-filled-brand" href="/visits/{visit.id}/set">Set</a>
				<a class="btn preset-outlined-surface-300-700" href="/visits/{visit.id}/plan/plate">Print the plates</a>
			</div>
		{/snippet}
		{#snippet pictures()}
			<ReedPlates {reeds} says="cents from the plan" height={118} />
			<h2>
				<b>Where do the degrees go?</b> <span>cents from equal, and as the A4 at which a meter shows nothing</span>
			</h2>
			<div class="degrees">
				<ScrollTable label="Offsets by degree">
					<table class="figure-table">
						<thead
							><tr
								><th scope="col">Degree</th>{#each degrees as degree (degree)}<th scope="col" class="figure"
										>{degreeOf(degree)}</th
									>{/each}</tr
							></thead
						>
						<tbody>
							{#each ['blow', 'draw'] as const as plate (plate)}
								<tr>
									<th scope="row">{plate === 'blow' ? 'Blow' : 'Draw'}</th>
									{#each degrees as degree (degree)}
										{@const offset = offsetOf(degree, plate)}
										<td>
											{#if offset !== undefined}{signed(offset, 1)}<br /><span class="soft"
													>{inHz(asReferencePitch(hz(visit.a4), offset))}</span
												>{:else}–{/if}
										</td>
									{/each}
								</tr>
							{/each}
							<tr>
								<th scope="row">One’s own</th>
								{#each degrees as degree (degree)}
									<td
										><input
											class="input own"
											inputmode="decimal"
											aria-label="One’s own cents for the {degreeOf(degree)}"
											value={intonation.own[degree] ?? ''}
											onchange={(event) => typeOwn(degree, event.currentTarget.value)}
										/></td
									>
								{/each}
							</tr>
						</tbody>
					</table>
				</ScrollTable>
			</div>
			{#if ownProblem}<p class="problem" role="alert">{ownProblem}</p>{/if}
			{#if sounds.length && !isSingle}
				<h2><b>How will they beat?</b> <span>a second, the roughest pair of each; soft, as one plays, hard</span></h2>
				<div class="sounds">
					{#each sounds as { name, is, beats, out } (is + name)}
						<p>
							<span>{name} <span class="soft">{is}</span></span>
							<span class="mono">{beats.map(({ rate }) => beatWords(rate)).join(' / ')}</span>
							{#if out}<span class="soft">{out} is outside</span>{/if}
						</p>
					{/each}
				</div>
			{/if}
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
	legend .soft {
		font-weight: 400;
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
	.presets {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
	}
	.presets input {
		width: 6rem;
	}
	.own {
		width: 4rem;
		padding: 0.2rem 0.3rem;
		text-align: right;
	}
	.degrees {
		flex: none;
	}
	.sounds .mono {
		font-size: 0.85rem;
	}
	.sounds {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(20rem, 1fr));
		gap: 0 1.5rem;
	}
	.sounds p {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 0 0.8rem;
		padding: 0.25rem 0;
		border-bottom: 1px solid var(--line);
	}
</style>
