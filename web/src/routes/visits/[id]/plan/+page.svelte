<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { A4_PRESETS, summariseVisit, temperamentById, temperingText, TOLERANCES } from '@fendrel/core';
	import { invalidateAll } from '$app/navigation';
	import KeyboardStrip from '$lib/charts/KeyboardStrip.svelte';
	import Staircase from '$lib/charts/Staircase.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { counted, inHz } from '$lib/ui/format';
	import VisitFrame from '$lib/visit/VisitFrame.svelte';
	import TargetTable from '$lib/visit/plan/TargetTable.svelte';
	import { planFor } from '$lib/visit/plan';
	import { saveChanges } from '$lib/visit/requests';
	import { parseA4, type VisitChangesForm } from '$lib/visit/schema';
	import { deviationsNow } from '$lib/visit/deviations';

	let { data } = $props();
	let a4 = $state(untrack(() => data.visit.a4));
	let a4Text = $state(untrack(() => inHz(data.visit.a4)));
	let temperamentId = $state(untrack(() => data.visit.temperamentId));
	let tolerance = $state(untrack(() => data.visit.tolerance));
	let a4Problem = $state<string | undefined>();
	let saveProblem = $state<string | undefined>();

	const chosen = $derived(data.temperaments.find(({ id }) => id === temperamentId)!);
	const temperament = $derived(temperamentById(chosen.slug));
	const plan = $derived(planFor({ ...data.instrument, a4, temperament: chosen.slug, measured: data.measured }));
	const thirds = $derived(
		plan.targets
			.filter(({ note, majorThird }) => note >= 53 && note <= 65 && majorThird !== undefined)
			.map(({ note, majorThird }) => ({ note, rate: majorThird! }))
	);
	const summary = $derived(
		summariseVisit(deviationsNow(data.readings, plan), data.instrument.lowest, data.instrument.highest)
	);
	const basis = $derived(
		plan.notesRead
			? `Beats follow the inharmonicity read on this instrument (${counted(plan.notesRead, 'note')}).`
			: `Beats follow the typical inharmonicity of such an instrument until strings are read.`
	);

	async function save(changes: VisitChangesForm) {
		saveProblem = await saveChanges(data.visit.id, changes);
		if (!saveProblem) await invalidateAll();
	}
	function chooseA4(value: number) {
		a4 = value;
		a4Text = inHz(value);
		a4Problem = undefined;
		void save({ a4: value });
	}
	function typeA4() {
		const parsed = parseA4(a4Text);
		if ('problem' in parsed) a4Problem = parsed.problem;
		else chooseA4(parsed.value);
	}
	/** Until the page lives its choices do nothing: better to show that than to lose one. */
	let alive = $state(false);
	onMount(() => {
		alive = true;
		if (data.visit.stage !== 'plan') void saveChanges(data.visit.id, { stage: 'plan' });
	});
	const keys = [{ keys: '?', does: 'show or hide this list' }];
</script>

<VisitFrame visit={{ ...data.visit, a4 }} instrument={data.instrument} temperament={chosen.name} stage="plan">
	<div class="plan">
		<section class="choices">
			<p class="verdict">{temperament.name} at {inHz(a4)} Hz.</p>
			<fieldset disabled={!alive}>
				<legend>A4, Hz</legend>
				<div class="presets">
					{#each A4_PRESETS as preset (preset)}
						<button type="button" class="choice mono" aria-pressed={a4 === preset} onclick={() => chooseA4(preset)}
							>{preset}</button
						>
					{/each}
					<input
						class="input mono"
						inputmode="decimal"
						aria-label="A4 in hertz, any value from 380 to 480"
						aria-invalid={!!a4Problem}
						bind:value={a4Text}
						onchange={typeA4}
					/>
				</div>
				{#if a4Problem}<p class="problem" role="alert">{a4Problem} The plan stays at {inHz(a4)} Hz.</p>{/if}
			</fieldset>
			<fieldset disabled={!alive}>
				<legend>Temperament</legend>
				<div class="temperaments">
					{#each data.temperaments as { id, name } (id)}
						<label class="temperament" class:taken={id === temperamentId}>
							<input
								type="radio"
								name="temperament"
								value={id}
								bind:group={temperamentId}
								onchange={() => save({ temperamentId })}
							/>
							{name}
						</label>
					{/each}
				</div>
				<p class="soft about">{temperament.character} {temperament.goodFor}</p>
			</fieldset>
			<fieldset disabled={!alive}>
				<legend>A string holds within <span class="soft">cents, two blows running</span></legend>
				<div class="presets">
					{#each TOLERANCES as each (each)}
						<button
							type="button"
							class="choice mono"
							aria-pressed={tolerance === each}
							onclick={() => {
								tolerance = each;
								void save({ tolerance });
							}}>{each}</button
						>
					{/each}
				</div>
			</fieldset>
			<div class="go">
				{#if saveProblem}<p class="notice" role="alert">{saveProblem}</p>{/if}
				<a class="btn preset-filled-brand" href="/visits/{data.visit.id}/set">Take this plan and set</a>
			</div>
		</section>
		<section class="pictures">
			<h2><b>How fast do the thirds beat?</b> <span>major thirds by their lower note, beats per second</span></h2>
			<Staircase treads={thirds} interval="major thirds" />
			<h2>
				<b>Where does every note go?</b>
				<span
					>fifths: {[
						...new Set(temperament.fifths.map((fifth) => (fifth === 'wolf' ? 'one wolf' : temperingText(fifth))))
					].join(', ')} (P, S: Pythagorean, syntonic comma)</span
				>
			</h2>
			<TargetTable targets={plan.targets} />
			<p class="soft small">{basis} + wide, − narrow.</p>
		</section>
	</div>
	{#snippet strip()}
		<KeyboardStrip lowest={data.instrument.lowest} highest={data.instrument.highest} notes={summary.notes}>
			{#snippet hint()}<Shortcuts {keys} />{/snippet}
		</KeyboardStrip>
	{/snippet}
</VisitFrame>

<style>
	.plan {
		display: grid;
		grid-template-columns: minmax(20rem, 27rem) minmax(0, 1fr);
		height: 100%;
	}
	.choices {
		padding: 1.25rem 1.5rem;
		border-right: 1px solid var(--line);
		display: grid;
		gap: 1rem;
		align-content: start;
		overflow: auto;
	}
	.verdict {
		font-size: 1.8rem;
	}
	.go {
		position: sticky;
		bottom: -1.25rem;
		display: grid;
		gap: 0.75rem;
		background: var(--ground);
		padding: 0.5rem 0 1.25rem;
		margin-bottom: -1.25rem;
	}
	legend span {
		font-weight: 400;
	}
	legend {
		font-weight: 600;
		margin-bottom: 0.35rem;
	}
	.presets {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		align-items: center;
	}
	.choice {
		min-height: 44px;
		min-width: 44px;
		padding: 0 0.35rem;
		border: 1px solid var(--line);
		border-radius: var(--radius-base);
		cursor: pointer;
	}
	.choice[aria-pressed='true'] {
		background: var(--felt);
		color: var(--on-felt);
		border-color: var(--felt);
		font-weight: 700;
	}
	.presets input {
		width: 4.9rem;
		padding-inline: 0.4rem;
		min-height: 44px;
		background: var(--sheet);
	}
	.temperaments {
		display: grid;
		grid-template-columns: 1.25fr 1fr;
	}
	.temperament {
		white-space: nowrap;
		font-size: 0.95rem;
		display: flex;
		gap: 0.6rem;
		align-items: center;
		min-height: 36px;
		cursor: pointer;
		padding-left: 0.25rem;
	}
	.temperament input {
		accent-color: var(--felt);
		width: 18px;
		height: 18px;
	}
	.taken {
		font-weight: 700;
	}
	.about {
		font-size: 0.95rem;
		margin-top: 0.4rem;
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
		.choices {
			border-right: 0;
			padding: 1.25rem 1rem;
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
