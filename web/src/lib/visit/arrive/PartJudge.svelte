<script lang="ts">
	import { v7 as uuid } from 'uuid';
	import type { Part } from '@fendrel/core';
	import { LINE_LIMIT, NOTE_LIMIT } from '$lib/ui/limits';
	import type { OpenVisit } from '../openVisit.svelte';
	import { GRADE_KEYS } from './instrumentPicture';
	import PartAttachments from './PartAttachments.svelte';

	interface Props {
		open: OpenVisit;
		part: Part;
	}
	let { open, part }: Props = $props();
	const { record } = $derived(open);
	const judged = $derived(record.report.arrival.parts.get(part.id));
	const grade = $derived(part.grades.find(({ id }) => id === judged?.grade));
	const noteKept = $derived(judged?.note ?? '');
	let note = $derived(noteKept);

	export function give(id: string) {
		record.act({ do: 'part', part: part.id, grade: id, note: note.trim().slice(0, NOTE_LIMIT) });
		const given = part.grades.find((each) => each.id === id);
		const caution = `${part.id}${id[0].toUpperCase()}${id.slice(1)}`;
		// As it was shown, once.
		if (given?.so && given.gate && !record.report.arrival.cautions.includes(caution))
			record.act({ do: 'caution', caution, text: given.so });
	}
	function keepNote() {
		if (judged && note.trim() !== judged.note) give(judged.grade);
	}
	function quote() {
		const text = `${part.name}: ${note.trim() || grade?.words.toLowerCase() || 'to see to'}`.slice(0, LINE_LIMIT);
		record.act({ do: 'finding', finding: uuid(), part: part.id, text, state: 'open' });
	}
</script>

<section aria-label={part.name}>
	<p><b>{part.name}.</b> <span class="soft">{part.look}</span></p>
	<div class="line">
		<div class="grades" role="group" aria-label="Grade of {part.name}">
			{#each part.grades as { id, words }, i (id)}
				<button type="button" class="choice" aria-pressed={judged?.grade === id} onclick={() => give(id)}
					><span class="key mono">{GRADE_KEYS[i]}</span> {words}</button
				>
			{/each}
		</div>
		<input
			class="input"
			placeholder="A word about it"
			aria-label="Note on {part.name}"
			maxlength={LINE_LIMIT}
			bind:value={note}
			onchange={keepNote}
			disabled={!judged}
		/>
		<button type="button" class="btn preset-outlined-surface-300-700" disabled={!judged} onclick={quote}
			>To quote</button
		>
	</div>
	{#if grade?.so}<p class="so">{grade.so}</p>{/if}
	<PartAttachments {open} {part} />
</section>

<style>
	section {
		display: grid;
		gap: 0.4rem;
	}
	.line {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
	}
	.grades {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
	}
	.choice {
		min-height: 44px;
		padding: 0 0.7rem;
	}
	.key {
		color: inherit;
		opacity: 0.65;
	}
	.input {
		flex: 1;
		min-width: 10rem;
		min-height: 44px;
	}
	.so {
		color: var(--warn);
	}
</style>
