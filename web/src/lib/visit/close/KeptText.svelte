<script lang="ts">
	import { onMount } from 'svelte';
	import { NOTE_LIMIT, tooLong } from '$lib/ui/limits';

	interface Props {
		label: string;
		/** As the record has it. */
		value: string;
		rows?: number;
		placeholder?: string;
		/** Somebody begins to write over what is there. */
		onbegin?: () => void;
		onkeep: (text: string) => void;
	}
	let { label, value, rows = 3, placeholder, onbegin, onkeep }: Props = $props();
	/** The text as it is written; undefined until somebody writes: then it is what the record has. */
	let draft = $state<string | undefined>();
	/**
	 * The same, as long as it is not in the record. No state: while a form is taken down, state is what it was before, and what
	 * had just been kept would be kept again.
	 */
	let unkept: string | undefined;
	const text = $derived(draft ?? value);
	const problem = $derived(tooLong(text, NOTE_LIMIT));
	let timer: ReturnType<typeof setTimeout> | undefined;
	/** Nobody writes a word faster than that and then stops. */
	const REST_MS = 700;

	function write(written: string) {
		if (draft === undefined) onbegin?.();
		draft = unkept = written;
		clearTimeout(timer);
		timer = setTimeout(keep, REST_MS);
	}
	/** Keeps what is written. @returns false when it is too long to be kept */
	export function keep(): boolean {
		clearTimeout(timer);
		if (unkept === undefined) return true;
		if (tooLong(unkept, NOTE_LIMIT)) return false;
		const written = unkept;
		unkept = draft = undefined;
		if (written !== value) onkeep(written);
		return true;
	}
	onMount(() => () => void keep());
</script>

<label class="field">
	<span>{label}</span>
	<textarea
		class="textarea"
		{rows}
		{placeholder}
		value={text}
		oninput={(event) => write(event.currentTarget.value)}
		onblur={keep}
		aria-invalid={!!problem}></textarea>
	{#if problem}<span class="problem" role="alert">{problem}</span>
	{:else}<span class="soft small">{draft === undefined && value ? 'Saved.' : 'Saved as you write.'}</span>{/if}
</label>

<style>
	.small {
		font-size: 0.85rem;
	}
</style>
