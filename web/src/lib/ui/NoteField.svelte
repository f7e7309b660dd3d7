<script lang="ts">
	import { noteName, readNote } from '@fendrel/core';

	/** A note typed by its name. */
	interface Props {
		label: string;
		note: number;
		/** Whether this keyboard has it. */
		isThere: (note: number) => boolean;
		onnote: (note: number) => void;
	}
	let { label, note, isThere, onnote }: Props = $props();
	let text = $derived(noteName(note));
	let problem = $state('');
	function keep() {
		const typed = readNote(text);
		if (typed === undefined) problem = 'A name like C♯4.';
		else if (!isThere(typed)) problem = `This keyboard has no ${noteName(typed)}.`;
		else problem = '';
		if (typed !== undefined && problem === '') onnote(typed);
	}
</script>

<label
	><span>{label}</span>
	<input class="input" aria-invalid={problem !== ''} bind:value={text} onchange={keep} /></label
>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}

<style>
	label {
		display: flex;
		align-items: center;
		gap: 0.6rem;
	}
	span {
		font-size: 0.9rem;
		color: var(--soft);
	}
	.input {
		width: 4.5rem;
		min-height: 44px;
		background: var(--sheet);
	}
</style>
