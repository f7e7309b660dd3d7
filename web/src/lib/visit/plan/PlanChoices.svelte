<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { beforeNavigate, goto } from '$app/navigation';
	import { A4_PRESETS, PRIORITIES, PRIORITY_IDS, TOLERANCES } from '@fendrel/core';
	import { BALANCED, wishWords, type KeptCurve } from '$lib/tuning/curve';
	import { NO_STRETCH, stretchByCurve, stretchWord, type Stretch } from '$lib/tuning/stretch';
	import { grouped, type StoredTemperament } from '$lib/tuning/stored';
	import { inHz } from '$lib/ui/format';
	import { saveChanges, takeCurve } from '../requests';
	import { parseA4, type SentChanges } from '../schema';

	interface Props {
		visitId: string;
		temperaments: readonly StoredTemperament[];
		/** The temperament chosen, with its text. */
		about: StoredTemperament;
		a4: number;
		temperamentId: string;
		tolerance: number;
		/** The curve taken, "none", or a priority drawn afresh. */
		stretch: Stretch;
		curve: KeptCurve | undefined;
		/** What the stretch does, in a sentence. */
		stretched: string;
		onsaved: () => Promise<void>;
	}
	let {
		visitId,
		temperaments,
		about,
		a4 = $bindable(),
		temperamentId = $bindable(),
		tolerance = $bindable(),
		stretch = $bindable(),
		curve = $bindable(),
		stretched,
		onsaved
	}: Props = $props();
	let a4Text = $state(untrack(() => inHz(a4)));
	let a4Problem = $state<string | undefined>();
	let saveProblem = $state<string | undefined>();
	/** Until the page lives its choices do nothing: better to show that than to lose one. */
	let alive = $state(false);
	onMount(() => {
		alive = true;
	});

	/** The save under way, so that nobody walks on with half a plan. */
	let saving: Promise<void> | undefined;
	function queue(work: () => Promise<string | undefined>) {
		const before = saving;
		const now = (async () => {
			await before;
			saveProblem = await work();
			if (!saveProblem) await onsaved();
		})().finally(() => {
			if (saving === now) saving = undefined;
		});
		saving = now;
	}
	const save = (changes: SentChanges) => queue(() => saveChanges(visitId, changes));
	const NONE = stretchWord(NO_STRETCH);
	function chooseStretch(value: string) {
		if (value === NONE || value === curve?.id) {
			stretch = value === NONE ? NO_STRETCH : stretchByCurve(value);
			return save({ stretch: value });
		}
		const lead = PRIORITY_IDS.find((id) => id === value);
		if (!lead) return;
		queue(async () => {
			const answer = await takeCurve(visitId, { ...BALANCED, lead });
			if ('problem' in answer) return answer.problem;
			curve = answer.curve;
			stretch = stretchByCurve(curve.id);
		});
	}
	beforeNavigate(({ cancel, to, willUnload }) => {
		if (!saving || !to || willUnload) return;
		cancel();
		const { href } = to.url;
		void saving.then(() => (saveProblem ? undefined : goto(href)));
	});
	function chooseA4(value: number) {
		a4 = value;
		a4Text = inHz(value);
		a4Problem = undefined;
		save({ a4: value });
	}
	function typeA4() {
		const parsed = parseA4(a4Text);
		if ('problem' in parsed) a4Problem = parsed.problem;
		else chooseA4(parsed.value);
	}
</script>

<section class="choices">
	<p class="verdict">{about.name} at {inHz(a4)} Hz.</p>
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
		<select class="select" aria-label="Temperament" bind:value={temperamentId} onchange={() => save({ temperamentId })}>
			{#each grouped(temperaments) as { title, members } (title)}
				<optgroup label={title}>
					{#each members as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</optgroup>
			{/each}
		</select>
		<p class="soft about">{about.character} <a href="/temperaments/{about.slug}">More about it</a></p>
	</fieldset>
	<fieldset disabled={!alive}>
		<legend>Stretch</legend>
		<select
			class="select"
			aria-label="Stretch"
			value={stretchWord(stretch)}
			onchange={(event) => chooseStretch(event.currentTarget.value)}
		>
			{#if curve}<option value={curve.id}>{wishWords(curve.wish)}</option>{/if}
			<option value={NONE}>None: first partials in the temperament</option>
			<optgroup label="Draw a new curve">
				{#each PRIORITIES as { id, name } (id)}<option value={id}>{name}</option>{/each}
			</optgroup>
		</select>
		<p class="soft about">{stretched} <a href="/visits/{visitId}/plan/curve">Shape it on the curve sheet</a></p>
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
						save({ tolerance });
					}}>{each}</button
				>
			{/each}
		</div>
	</fieldset>
	<div class="go">
		{#if saveProblem}<p class="notice" role="alert">{saveProblem}</p>{/if}
		<a class="btn preset-filled-brand" href="/visits/{visitId}/set">Take this plan and set</a>
	</div>
</section>

<style>
	.choices {
		padding: 1rem 1.5rem;
		border-right: 1px solid var(--line);
		display: grid;
		gap: 0.65rem;
		align-content: start;
		overflow: auto;
	}
	.verdict {
		font-size: 1.6rem;
	}
	.go {
		position: sticky;
		bottom: -1rem;
		display: grid;
		gap: 0.75rem;
		background: var(--ground);
		padding: 0.25rem 0 1rem;
		margin-bottom: -1rem;
	}
	legend span {
		font-weight: 400;
	}
	legend {
		font-weight: 600;
		margin-bottom: 0.2rem;
	}
	.presets {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		align-items: center;
	}
	.choice {
		padding: 0 0.35rem;
	}
	.presets input {
		width: 4.9rem;
		padding-inline: 0.4rem;
		min-height: 44px;
		background: var(--sheet);
	}
	.about a {
		color: var(--felt);
		text-decoration: underline;
	}
	.about {
		font-size: 0.9rem;
		line-height: 1.35;
		margin-top: 0.3rem;
	}
	@media (max-width: 999px), (max-height: 699px) {
		.choices {
			border-right: 0;
			padding: 1.25rem 1rem;
		}
	}
</style>
