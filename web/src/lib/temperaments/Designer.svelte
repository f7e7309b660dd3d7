<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import {
		examineTuning,
		TEMPERAMENT_FAMILIES,
		fifthName,
		noteClassName,
		parseTempering,
		PURE,
		pythagorean,
		syntonic,
		temperingCents,
		temperingText,
		USES,
		type Tempering
	} from '@fendrel/core';
	import { beforeNavigate, goto, invalidate } from '$app/navigation';
	import RingOfFifths from '$lib/charts/RingOfFifths.svelte';
	import ThirdsProfile from '$lib/charts/ThirdsProfile.svelte';
	import { signed } from '$lib/ui/format';
	import { Design } from './design.svelte';
	import {
		COMMA,
		commaCheck,
		ringFifths,
		roughnessByFifths,
		thirdsByFifths,
		typicalStrings,
		type Tuned
	} from './figures';
	import HearIt from './HearIt.svelte';
	import { typedNumber } from '$lib/ui/typed';
	import { keep } from './requests';
	import type { Draft } from './schema';

	interface Props {
		/** What the design begins with. */
		begin: Draft;
		/** What it is compared with. */
		against: { readonly name: string; readonly temperament: Tuned };
		/** The own temperament that is changed; undefined for a new one. */
		over?: { readonly slug: string; readonly version: number };
	}
	let { begin, against, over }: Props = $props();
	const design = new Design(untrack(() => begin.tuning));
	let about = $state(untrack(() => ({ ...begin, uses: [...begin.uses] })));
	let chosen = $state(0);
	let typed = $state('');
	let typedProblem = $state<string | undefined>();
	let questions = $state<readonly string[]>([]);
	let problems = $state<readonly string[]>([]);
	let saving = $state(false);
	let alive = $state(false);
	onMount(() => {
		alive = true;
	});

	const PARTS: readonly { readonly text: string; readonly tempering: Tempering }[] = [
		{ text: 'pure', tempering: PURE },
		...[12, 8, 6, 5, 4, 3].map((den) => ({ text: `1/${den} P`, tempering: pythagorean(1, den) })),
		...[6, 5, 4].map((den) => ({ text: `1/${den} S`, tempering: syntonic(1, den) })),
		{ text: '-1/12 P', tempering: pythagorean(-1, 12) }
	];
	const STEP = pythagorean(1, 24);

	const tuned = $derived({ tuning: design.tuning });
	const fifths = $derived(ringFifths(tuned));
	const strings = $derived(typicalStrings(tuned, 'harpsichord', 440));
	const roughness = $derived(roughnessByFifths(strings));
	const comma = $derived(commaCheck(tuned));
	const byFifths = $derived(design.state.by === 'fifths' ? design.state : undefined);
	const isRest = $derived(byFifths?.rest === chosen);
	const findings = $derived(examineTuning(design.tuning));
	const thirds = $derived(thirdsByFifths(tuned));
	const consequence = $derived.by(() => {
		const best = thirds.indexOf(Math.min(...thirds));
		const worst = thirds.indexOf(Math.max(...thirds));
		const name = (place: number) => noteClassName((7 * place) % 12);
		if (thirds[worst] - thirds[best] < 0.05) return 'Every major third is alike.';
		return `Calmest third on ${name(best)} (${thirds[best].toFixed(1)}), widest on ${name(worst)} (${thirds[worst].toFixed(1)} cents).`;
	});

	function choose(step: number) {
		chosen = step;
		typed = byFifths ? temperingText(byFifths.fifths[step]) : '';
		typedProblem = undefined;
	}
	untrack(() => choose(0));
	function temper(tempering: Tempering) {
		design.setFifth(chosen, tempering);
		choose(chosen);
	}
	function type() {
		const tempering = parseTempering(typed);
		typedProblem = tempering ? undefined : `“${typed}” is no tempering: write pure, 1/6 P, 1/4 S or -1/12 P.`;
		if (tempering) temper(tempering);
	}
	function shift(way: 1 | -1) {
		const to = (chosen + way + 12) % 12;
		design.move(chosen, to, STEP);
		choose(to);
	}
	function back(way: 'undo' | 'redo') {
		design[way]();
		choose(chosen);
	}
	function onkeydown(event: KeyboardEvent) {
		if (!(event.ctrlKey || event.metaKey) || (event.target as HTMLElement).closest('input, textarea')) return;
		const key = event.key.toLowerCase();
		if (key === 'z') back(event.shiftKey ? 'redo' : 'undo');
		else if (key === 'y') back('redo');
		else return;
		event.preventDefault();
	}

	async function save(confirmed: boolean) {
		saving = true;
		questions = [];
		problems = [];
		const result = await keep({ ...about, tuning: design.tuning }, confirmed, over);
		saving = false;
		if (result.kind === 'refused') problems = result.problems;
		else if (result.kind === 'ask') questions = result.questions;
		else {
			design.changed = false;
			await invalidate('temperaments');
			await goto(`/temperaments/${result.slugs[0]}`, { invalidateAll: true });
		}
	}
	beforeNavigate(({ cancel }) => {
		if (design.changed && !confirm('You have not saved this design. Leave without saving?')) cancel();
	});
</script>

<svelte:window {onkeydown} />

<div class="design">
	<section class="work">
		<h2 class="panel-heading">Choose a fifth, then temper it</h2>
		<RingOfFifths
			{fifths}
			{roughness}
			centre={byFifths ? `${comma.total.toFixed(2)} c placed` : 'by cents'}
			chosen={byFifths ? chosen : undefined}
			onchoose={byFifths ? choose : undefined}
		/>
		{#if byFifths}
			<fieldset disabled={!alive}>
				<legend>
					<b>{fifthName(chosen)}</b>: {temperingText(byFifths.fifths[chosen])}
					<span class="soft"
						>({signed(-temperingCents(byFifths.fifths[chosen]), 2)} cents from pure{isRest
							? '; it takes the rest'
							: ''})</span
					>
				</legend>
				{#if isRest}
					<p class="soft">
						Whatever the other fifths leave of the comma lies here. To set this one, let another fifth take the rest.
					</p>
				{:else}
					<div class="parts">
						{#each PARTS as { text, tempering } (text)}
							<button
								type="button"
								class="choice mono"
								aria-pressed={temperingText(byFifths.fifths[chosen]) === temperingText(tempering)}
								onclick={() => temper(tempering)}>{text.replace('-', '−')}</button
							>
						{/each}
						<input
							class="input mono"
							aria-label="Tempering of {fifthName(chosen)} in parts of a comma"
							aria-invalid={!!typedProblem}
							bind:value={typed}
							onchange={type}
						/>
					</div>
					{#if typedProblem}<p class="problem" role="alert">{typedProblem}</p>{/if}
				{/if}
				<div class="parts">
					<button type="button" class="choice" onclick={() => shift(-1)}
						>Move 1/24 P to {fifthName((chosen + 11) % 12)}</button
					>
					<button type="button" class="choice" onclick={() => shift(1)}
						>Move 1/24 P to {fifthName((chosen + 1) % 12)}</button
					>
					{#if !isRest}
						<button type="button" class="choice" onclick={() => design.takeRest(chosen)}>Let it take the rest</button>
					{/if}
				</div>
				<p class="soft small">
					The rest lies on {fifthName(byFifths.rest)}: {temperingText(byFifths.fifths[byFifths.rest])}. So the comma of
					{COMMA.toFixed(2)} cents is always placed in full.
				</p>
			</fieldset>
		{:else if design.state.by === 'cents'}
			<fieldset disabled={!alive}>
				<legend>Offsets from equal, in cents</legend>
				<div class="offsets">
					{#each design.state.offsets as offset, i (i)}
						<label
							>{noteClassName(i)}
							<input
								class="input mono"
								inputmode="decimal"
								value={offset}
								onchange={(event) => {
									const value = typedNumber(event.currentTarget.value);
									if (!Number.isNaN(value)) design.setOffset(i, value);
									else event.currentTarget.value = String(offset);
								}}
							/></label
						>
					{/each}
				</div>
			</fieldset>
		{/if}
		<div class="parts">
			<button type="button" class="choice" disabled={!alive || !design.canUndo} onclick={() => back('undo')}
				>Undo</button
			>
			<button type="button" class="choice" disabled={!alive || !design.canRedo} onclick={() => back('redo')}
				>Redo</button
			>
			{#if byFifths}
				<button type="button" class="choice" disabled={!alive} onclick={() => design.toCents()}
					>Go on in cents instead</button
				>
			{/if}
		</div>
	</section>
	<section class="outcome">
		<h2 class="panel-heading">
			What comes of it? <span>major thirds in cents from C by fifths; dashed: {against.name}</span>
		</h2>
		<p class="verdict">{consequence}</p>
		<ThirdsProfile
			height={210}
			series={[
				{ name: 'this design', sizes: thirds },
				{ name: against.name, sizes: thirdsByFifths(against.temperament) }
			]}
		/>
		{#if findings.ask}<p class="notice">{findings.ask}</p>{/if}
		<HearIt versions={[{ name: 'This design', temperament: tuned }, against]} a4={440} />
		<form
			class="about"
			onsubmit={(event) => {
				event.preventDefault();
				void save(false);
			}}
		>
			<label class="field name"
				><span>Name</span><input
					class="input"
					bind:value={about.name}
					maxlength="80"
					oninput={() => (design.changed = true)}
				/></label
			>
			<label class="field"
				><span>Character</span><select class="select" bind:value={about.family}>
					{#each TEMPERAMENT_FAMILIES as each (each)}<option value={each}>{each}</option>{/each}
				</select></label
			>
			<label class="field wide"
				><span>In words</span><textarea class="textarea" rows="2" maxlength="500" bind:value={about.character}
				></textarea></label
			>
			<fieldset class="wide uses">
				<legend>Good for</legend>
				{#each USES as each (each)}
					<label><input type="checkbox" value={each} bind:group={about.uses} /> {each}</label>
				{/each}
			</fieldset>
			<div class="wide end">
				{#each problems as problem (problem)}<p class="problem" role="alert">{problem}</p>{/each}
				{#each questions as question (question)}<p class="notice" role="alert">{question}</p>{/each}
				{#if questions.length}
					<button type="button" class="btn preset-filled-brand" onclick={() => save(true)}>Yes, keep it so</button>
				{:else}
					<button class="btn preset-filled-brand" disabled={!alive || saving}
						>{over ? 'Keep the changes' : 'Keep it in the workshop'}</button
					>
				{/if}
			</div>
		</form>
	</section>
</div>

<style>
	.design {
		display: grid;
		grid-template-columns: minmax(20rem, 31rem) minmax(0, 1fr);
		gap: 1.5rem 2.5rem;
		border-top: 1px solid var(--line);
		padding-top: 1rem;
		margin-top: 1rem;
	}
	.work,
	.outcome,
	fieldset {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 0.6rem;
		align-content: start;
		min-width: 0;
	}
	.verdict {
		font-size: 1.25rem;
	}
	.parts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		align-items: center;
	}
	.parts input {
		width: 8rem;
		min-height: 44px;
		background: var(--sheet);
	}
	.small {
		font-size: 0.9rem;
	}
	.offsets {
		display: grid;
		grid-template-columns: repeat(4, minmax(0, 1fr));
		gap: 0.5rem 1rem;
	}
	.offsets label {
		display: grid;
		grid-template-columns: 1.8rem 1fr;
		align-items: center;
		font-weight: 600;
	}
	.offsets input {
		min-height: 44px;
		background: var(--sheet);
	}
	.about {
		display: grid;
		grid-template-columns: minmax(0, 2fr) minmax(0, 1fr);
		gap: 0.75rem 1rem;
		border-top: 1px solid var(--line);
		padding-top: 0.75rem;
	}
	.wide {
		grid-column: 1 / -1;
	}
	.uses {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 1.25rem;
	}
	.uses legend {
		font-weight: 600;
		font-size: 0.95rem;
	}
	.uses label {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 40px;
	}
	.uses input {
		width: 18px;
		height: 18px;
		accent-color: var(--felt);
	}
	.end {
		display: grid;
		gap: 0.6rem;
		justify-items: start;
	}
	@media (max-width: 999px) {
		.design,
		.about {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
