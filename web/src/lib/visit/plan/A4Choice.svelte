<script lang="ts">
	import { A4_PRESETS } from '@fendrel/core';
	import { inHz } from '$lib/ui/format';
	import { parseA4 } from '../a4';
	import type { OpenVisit } from '../openVisit.svelte';
	import PresetField from './PresetField.svelte';

	interface Props {
		open: OpenVisit;
		presets?: readonly number[];
		/** What is usual. */
		hint?: string;
	}
	let { open, presets = A4_PRESETS, hint }: Props = $props();
	const a4 = $derived(open.visit.a4);
	let text = $derived(inHz(a4));
	let problem = $state<string | undefined>();

	function choose(value: number) {
		problem = undefined;
		text = inHz(value);
		if (value !== a4) open.replan({ a4: value });
	}
	function type() {
		const parsed = parseA4(text);
		if ('problem' in parsed) problem = parsed.problem;
		else choose(parsed.value);
	}
</script>

<PresetField legend="A4, Hz" {hint} values={presets} chosen={a4} onchoose={choose}>
	{#snippet other()}
		<input
			class="input mono"
			inputmode="decimal"
			aria-label="A4 in hertz, any value from 380 to 480"
			aria-invalid={!!problem}
			bind:value={text}
			onchange={type}
		/>
	{/snippet}
	{#if problem}<p class="problem" role="alert">{problem} The plan stays at {inHz(a4)} Hz.</p>{/if}
</PresetField>

<style>
	input {
		width: 4.9rem;
		padding-inline: 0.4rem;
		min-height: 44px;
		background: var(--sheet);
	}
</style>
