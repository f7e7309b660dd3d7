<script lang="ts">
	import { onMount } from 'svelte';
	import { goto } from '$app/navigation';
	import { handOver } from '$lib/handover/handOver.svelte';
	import { NOTE_LIMIT, tooLong } from '$lib/ui/limits';
	import type { OpenVisit } from '../openVisit.svelte';

	let { open }: { open: OpenVisit } = $props();
	const { visit, record } = $derived(open);
	/** The text as it is written; undefined until somebody writes: then it is what the record has. */
	let draft = $state<string | undefined>();
	/**
	 * The same, as long as it is not in the record. No state: while a form is taken down, state is what it was before, and what
	 * had just been kept would be kept again.
	 */
	let unkept: string | undefined;
	/** The versions that whoever writes has seen. */
	let seen: readonly string[] = [];
	const note = $derived(draft ?? visit.note);
	const problem = $derived(tooLong(note, NOTE_LIMIT));
	let finishing = $state(false);
	let timer: ReturnType<typeof setTimeout> | undefined;
	/** Nobody writes a word faster than that and then stops. */
	const REST_MS = 700;

	function write(text: string) {
		if (draft === undefined) seen = record.report.heads.note;
		draft = unkept = text;
		clearTimeout(timer);
		timer = setTimeout(keep, REST_MS);
	}
	function keep() {
		clearTimeout(timer);
		if (unkept === undefined || tooLong(unkept, NOTE_LIMIT)) return;
		const text = unkept;
		unkept = draft = undefined;
		if (text !== visit.note) record.write(text, seen);
	}
	async function finish(event: SubmitEvent) {
		event.preventDefault();
		if (problem) return;
		keep();
		finishing = true;
		record.act({ do: 'finish' });
		// With the server there the work is over; without it the page says what waits.
		if (await handOver.flush()) await goto(`/instruments/${open.instrument.id}`);
		finishing = false;
	}
	onMount(() => keep);
</script>

<form onsubmit={finish}>
	<label class="field">
		<span>Note for the record</span>
		<textarea
			class="textarea"
			name="note"
			rows="4"
			value={note}
			oninput={(event) => write(event.currentTarget.value)}
			aria-invalid={!!problem}></textarea>
		{#if problem}<span class="problem" role="alert">{problem}</span>
		{:else}<span class="soft small">{draft === undefined && note ? 'Saved.' : 'Saved as you write.'}</span>{/if}
	</label>
	<div class="flex flex-wrap gap-3">
		<button class="btn preset-filled-brand" disabled={finishing}>Finish the visit</button>
		<a class="btn preset-outlined-surface-300-700" href="/visits/{visit.id}/set">Back to Set</a>
	</div>
</form>

<style>
	form {
		display: grid;
		gap: 1rem;
	}
	.small {
		font-size: 0.85rem;
	}
</style>
