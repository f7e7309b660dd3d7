<script lang="ts">
	import type { NoteRun } from '@fendrel/core';
	import { readRuns, writtenRuns } from './noteRuns';

	interface Props {
		runs: readonly NoteRun[];
		label?: string;
		placeholder?: string;
		onchange: (runs: readonly NoteRun[]) => void;
	}
	let {
		runs,
		onchange,
		label = 'Runs, in your order; what you leave out comes last',
		placeholder = 'F3 to F4, F#4 to C8, E3 to A0'
	}: Props = $props();
	const written = $derived(writtenRuns(runs));
	// Only what is written elsewhere takes the place of what is being typed.
	let text = $derived(written);
	let problem = $state<string | undefined>();
	function keep() {
		const read = readRuns(text);
		problem = 'problem' in read ? read.problem : undefined;
		if ('value' in read) onchange(read.value);
	}
</script>

<label
	>{label}
	<input class="input" {placeholder} bind:value={text} onchange={keep} /></label
>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}

<style>
	label {
		display: block;
		font-size: 0.9rem;
		color: var(--soft);
	}
	.input {
		display: block;
		width: 100%;
		min-height: 44px;
		color: var(--ink);
		font-size: 1rem;
	}
</style>
