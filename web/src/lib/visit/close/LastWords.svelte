<script lang="ts">
	import { goto } from '$app/navigation';
	import { handOver } from '$lib/handover/handOver.svelte';
	import { LINE_LIMIT } from '$lib/ui/limits';
	import { briefOf } from '../brief';
	import type { OpenVisit } from '../openVisit.svelte';
	import KeptText from './KeptText.svelte';

	let { open }: { open: OpenVisit } = $props();
	const { visit, record } = $derived(open);
	const closing = $derived(record.report.closing);
	const complaint = $derived(briefOf(open).complaint);
	/** The versions of the note that whoever writes has seen. */
	let seen: readonly string[] = [];
	let finishing = $state(false);
	const texts: (KeptText | undefined)[] = $state([]);

	const say = (said: { text?: string; by?: string }) =>
		record.act({ do: 'word', text: closing.word?.text ?? '', by: closing.word?.by ?? '', ...said });
	async function finish(event: SubmitEvent) {
		event.preventDefault();
		if (!texts.map((each) => each?.keep() ?? true).every(Boolean)) return;
		finishing = true;
		record.act({ do: 'finish' });
		// With the server there the work is over; without it the page says what waits.
		if (await handOver.flush()) await goto(`/instruments/${open.instrument.id}`);
		finishing = false;
	}
</script>

<form onsubmit={finish}>
	{#if complaint}
		<p class="complaint">“{complaint}”</p>
		<KeptText
			bind:this={texts[0]}
			label="What came of the complaint"
			rows={2}
			value={closing.answer}
			onkeep={(text) => record.act({ do: 'answer', text })}
		/>
	{/if}
	<KeptText
		bind:this={texts[1]}
		label="The player’s word"
		rows={2}
		placeholder="as they said it, after playing"
		value={closing.word?.text ?? ''}
		onkeep={(text) => say({ text })}
	/>
	<label class="field"
		><span>Said by</span>
		<input
			class="input"
			maxlength={LINE_LIMIT}
			value={closing.word?.by ?? ''}
			onchange={(event) => say({ by: event.currentTarget.value.trim() })}
		/></label
	>
	<KeptText
		bind:this={texts[2]}
		label="Note for the record"
		value={visit.note}
		onbegin={() => (seen = record.report.heads.note)}
		onkeep={(text) => record.write(text, seen)}
	/>
	<div class="flex flex-wrap gap-3">
		<button class="btn preset-filled-brand" disabled={finishing}>Finish the visit</button>
		<a class="btn preset-outlined-surface-300-700" href="/visits/{visit.id}/set">Back to Set</a>
	</div>
</form>

<style>
	form {
		display: grid;
		gap: 0.9rem;
	}
	.complaint {
		font-family: var(--serif);
		font-size: 1.1rem;
	}
</style>
