<script lang="ts" generics="Body">
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import DialogSheet from '$lib/ui/DialogSheet.svelte';
	import { counted } from '$lib/ui/format';
	import type { Survey } from './survey.svelte';
	import { asTyped, readTypedLevels } from './typedLevels';

	interface Props {
		survey: Survey<Body>;
		open: boolean;
	}
	let { survey, open = $bindable() }: Props = $props();
	let text = $state('');
	let problem = $state<string>();
	const read = $derived(readTypedLevels(text, (note) => survey.targetOf(note)));
	/** Lines that are named one by one; of more only how many there are. */
	const NAMED = 8;

	const MOST_BYTES = 100_000;
	/** What a file holds comes into the field: there it is looked at before anything is kept. */
	async function fromFile(input: HTMLInputElement) {
		const file = input.files?.[0];
		if (!file) return;
		text = file.size > MOST_BYTES ? '' : asTyped(await file.text().catch(() => ''));
		problem = text ? undefined : 'This file cannot be read as notes and pitches.';
		input.value = '';
	}
	function keep() {
		survey.takeTyped(read.levels);
		text = '';
		open = false;
	}
</script>

<DialogSheet
	{open}
	title="Pitches from elsewhere"
	closesBeside={text === ''}
	onclose={() => (open = false)}
	sheet="max-w-2xl w-full"
>
	<p class="soft">
		A note and its pitch on each line, in cents from the plan or in Hz: “A4 −31”, “C5; 519,8 Hz”. Lines that are not
		understood are named; the others are kept.
	</p>
	<label class="field">
		<span class="sr-only">Notes and pitches</span>
		<textarea class="textarea mono" rows="9" aria-label="Notes and pitches" bind:value={text}></textarea>
	</label>
	<label class="btn preset-outlined-surface-300-700 file"
		>From a file<input
			type="file"
			accept=".csv,.txt,text/csv,text/plain"
			class="sr-only"
			onchange={(event) => void fromFile(event.currentTarget)}
		/></label
	>
	{#if text.trim()}
		<p role="status">
			{counted(read.levels.length, 'note')} understood, in {read.unit}{read.problems.length
				? `; ${counted(read.problems.length, 'line')} not:`
				: '.'}
		</p>
		<ul>
			{#each read.problems.slice(0, NAMED) as { line, why } (`${line} ${why}`)}<li>Line {line}: {why}</li>{/each}
			{#if read.problems.length > NAMED}<li>and {read.problems.length - NAMED} more.</li>{/if}
		</ul>
	{/if}
	{#if problem && !text}<p class="problem" role="alert">{problem}</p>{/if}
	<div class="buttons">
		<button type="button" class="btn preset-filled-brand" disabled={read.levels.length === 0} onclick={keep}
			>Keep {counted(read.levels.length, 'note')}</button
		>
		<Dialog.CloseTrigger class="btn preset-outlined-surface-300-700">Cancel</Dialog.CloseTrigger>
	</div>
</DialogSheet>

<style>
	textarea {
		width: 100%;
	}
	ul {
		color: var(--warn);
		line-height: 1.4;
	}
	p,
	ul,
	.file,
	.buttons {
		margin-top: 0.6rem;
	}
	.buttons {
		display: flex;
		gap: 0.75rem;
	}
</style>
