<script lang="ts">
	import { untrack } from 'svelte';
	import type { tableLoad } from '@fendrel/core';
	import StringLoads from '$lib/charts/StringLoads.svelte';
	import { inHz } from '$lib/ui/format';
	import { typedNumber } from '$lib/ui/typed';
	import { loadWords, warningWords } from './scaleWords';
	import ToLookAt from './ToLookAt.svelte';

	interface Props {
		load: ReturnType<typeof tableLoad>;
		lowest: number;
		highest: number;
		/** Its usual pitch, Hz. */
		a4: number;
		/** Cents that it lies below that. */
		raise: number;
	}
	let { load, lowest, highest, a4, raise = $bindable() }: Props = $props();
	const warnings = $derived(warningWords(load.warnings));
	let raiseText = $state(untrack(() => String(raise)));
	let raiseProblem = $state<string | undefined>();
	const MOST_RAISE = 300;

	function typeRaise() {
		const value = typedNumber(raiseText);
		if (!(Math.abs(value) <= MOST_RAISE))
			raiseProblem = `Write cents from −${MOST_RAISE} to ${MOST_RAISE}; it stays at ${raise}.`;
		else {
			raiseProblem = undefined;
			raise = value;
		}
	}
</script>

<section class="loads">
	<div class="head">
		<h2 class="asks"><b>How heavily are they loaded?</b> <span>at A4 = {inHz(a4)} Hz, equal</span></h2>
		<label class="soft"
			>it lies <input
				class="input mono"
				inputmode="decimal"
				aria-label="Cents below its usual pitch"
				aria-invalid={!!raiseProblem}
				bind:value={raiseText}
				onchange={typeRaise}
			/> cents below that now</label
		>
	</div>
	{#if raiseProblem}<p class="problem" role="alert">{raiseProblem}</p>{/if}
	{#if load.known}
		<ToLookAt
			label="Cautions"
			heading="Caution"
			items={warnings}
			most={7}
			none="No string known is near breaking."
			about="The strength is that of new music wire: rust, kinks and age take from it. Iron, brass and gut need a figure of their own."
		>
			{#snippet picture()}
				<StringLoads {load} {lowest} {highest} />
				<p class="soft small">{loadWords(load, raise)} Dashed: 75 %, above which modern wire is near breaking.</p>
			{/snippet}
		</ToLookAt>
	{:else}
		<p class="soft">Enter the wire and speaking length of some notes to see their tension and strength.</p>
	{/if}
</section>

<style>
	.loads {
		margin-top: 2rem;
		padding-top: 1.2rem;
		border-top: 1px solid var(--line);
	}
	.small {
		font-size: 0.87rem;
		line-height: 1.4;
	}
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1.5rem;
		align-items: center;
		justify-content: space-between;
		margin-bottom: 0.5rem;
	}
	.head label {
		display: inline-flex;
		align-items: center;
		gap: 0.5rem;
	}
	.head input {
		width: 4.6rem;
		min-height: 44px;
		text-align: right;
	}
</style>
