<script lang="ts">
	import {
		fifthName,
		parseTempering,
		PURE,
		pythagorean,
		syntonic,
		temperingCents,
		temperingText,
		type Tempering
	} from '@fendrel/core';
	import { fixed, signed } from '$lib/ui/format';
	import type { Design, FifthsState } from './design.svelte';
	import { COMMA } from './figures';

	interface Props {
		design: Design;
		state: FifthsState;
		/** The fifth that is being tempered, by its place from C. */
		chosen: number;
		onchoose: (fifth: number) => void;
	}
	let { design, state: byFifths, chosen, onchoose }: Props = $props();
	const PARTS: readonly { readonly text: string; readonly tempering: Tempering }[] = [
		{ text: 'pure', tempering: PURE },
		...[12, 8, 6, 5, 4, 3].map((den) => ({ text: `1/${den} P`, tempering: pythagorean(1, den) })),
		...[6, 5, 4].map((den) => ({ text: `1/${den} S`, tempering: syntonic(1, den) })),
		{ text: '-1/12 P', tempering: pythagorean(-1, 12) }
	];
	const STEP = pythagorean(1, 24);
	const now = $derived(byFifths.fifths[chosen]);
	const isRest = $derived(byFifths.rest === chosen);
	/** What is typed; as it stands until somebody types. */
	let typed = $derived(temperingText(now));
	let problem = $state<string | undefined>();
	$effect(() => {
		void [chosen, now];
		problem = undefined;
	});

	function type() {
		const tempering = parseTempering(typed);
		problem = tempering ? undefined : `“${typed}” is not a tempering: write pure, 1/6 P, 1/4 S or -1/12 P.`;
		if (tempering) design.setFifth(chosen, tempering);
	}
	function shift(way: 1 | -1) {
		const to = (chosen + way + 12) % 12;
		design.move(chosen, to, STEP);
		onchoose(to);
	}
</script>

<fieldset>
	<legend>
		<b>{fifthName(chosen)}</b>: {temperingText(now)}
		<span class="soft">({signed(-temperingCents(now), 2)} cents from pure{isRest ? '; it takes the rest' : ''})</span>
	</legend>
	{#if isRest}
		<p class="soft">
			This fifth takes whatever the others leave of the comma. To set it yourself, let another fifth take the rest.
		</p>
	{:else}
		<div class="parts">
			{#each PARTS as { text, tempering } (text)}
				<button
					type="button"
					class="choice mono"
					aria-pressed={temperingText(now) === temperingText(tempering)}
					onclick={() => design.setFifth(chosen, tempering)}>{text.replace('-', '−')}</button
				>
			{/each}
			<input
				class="input mono"
				aria-label="Tempering of {fifthName(chosen)} in parts of a comma"
				aria-invalid={!!problem}
				bind:value={typed}
				onchange={type}
			/>
		</div>
		{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
	{/if}
	<div class="parts">
		<button type="button" class="choice" onclick={() => shift(-1)}
			>Move 1/24 P to {fifthName((chosen + 11) % 12)}</button
		>
		<button type="button" class="choice" onclick={() => shift(1)}>Move 1/24 P to {fifthName((chosen + 1) % 12)}</button>
		{#if !isRest}
			<button type="button" class="choice" onclick={() => design.takeRest(chosen)}>Let it take the rest</button>
		{/if}
	</div>
	<p class="soft small">
		The rest lies on {fifthName(byFifths.rest)}: {temperingText(byFifths.fifths[byFifths.rest])}. So the comma of
		{fixed(COMMA, 2)} cents is always placed in full.
	</p>
</fieldset>

<style>
	fieldset {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 0.6rem;
		align-content: start;
		min-width: 0;
	}
	.parts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		align-items: center;
	}
	input {
		width: 8rem;
		min-height: 44px;
		background: var(--sheet);
	}
	.small {
		font-size: 0.9rem;
	}
</style>
