<script lang="ts">
	import type { Part } from '@fendrel/core';
	import { SoundNote } from '$lib/audio/soundNote.svelte';
	import { attachments } from '$lib/handover/attachments.svelte';
	import { FAULT_WORDS } from '$lib/listening/faultWords';
	import { attach } from '../attach';
	import type { OpenVisit } from '../openVisit.svelte';
	import Attached from './Attached.svelte';
	import { smallerPhoto } from './smallerPhoto';

	interface Props {
		open: OpenVisit;
		part: Part;
	}
	let { open, part }: Props = $props();
	const { record } = $derived(open);
	const own = $derived([...record.report.arrival.attachments.values()].filter((each) => each.part === part.id));
	const note = new SoundNote();
	let problem = $state<string | undefined>();
	let busy = $state(false);
	let picker = $state<HTMLInputElement>();

	async function photograph() {
		// The part that was meant when it began: another may be chosen by then.
		const { id } = part;
		const files = [...(picker?.files ?? [])];
		if (picker) picker.value = '';
		busy = true;
		problem = undefined;
		for (const file of files) {
			const smaller = await smallerPhoto(file);
			if ('problem' in smaller) problem = smaller.problem;
			else await attach(record, id, 'photo', smaller.value);
		}
		busy = false;
	}
	async function listen() {
		if (note.state === 'recording') return note.stop();
		const { id } = part;
		problem = undefined;
		const bytes = await note.record();
		if (bytes) await attach(record, id, 'sound', bytes);
	}
	/** Taken back, the act counts for nothing; the bytes stay with the record. */
	function remove(attachment: string) {
		const act = [...record.report.events.values()].find(
			(event) => 'do' in event && event.do === 'attach' && event.attachment === attachment
		);
		if (act) record.act({ do: 'takeBack', act: act.id });
	}
	$effect(() => () => note.close());
</script>

<div class="attachments">
	<input
		bind:this={picker}
		type="file"
		accept="image/*"
		multiple
		class="hidden"
		aria-label="Photo of {part.name}"
		onchange={photograph}
	/>
	<button type="button" class="btn preset-outlined-surface-300-700" disabled={busy} onclick={() => picker?.click()}
		>{busy ? 'Making it smaller …' : 'Add a photo'}</button
	>
	<button type="button" class="btn preset-outlined-surface-300-700" disabled={note.state === 'opening'} onclick={listen}
		>{note.state === 'recording' ? 'Stop' : 'Record a sound'}</button
	>
	{#if note.state === 'recording'}<span class="soft" role="status">Recording, up to eight seconds …</span>{/if}
	{#each own as attachment (attachment.attachment)}
		<Attached visitId={record.visitId} {attachment} name={part.name} onremove={() => remove(attachment.attachment)} />
	{/each}
	{#if !attachments.kept}<p class="problem" role="alert">
			This device has no room for photos and sounds: keep the page open until they are saved.
		</p>{/if}
	{#if note.fault}<p class="problem" role="alert">{FAULT_WORDS[note.fault]}</p>{/if}
	{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
</div>

<style>
	.attachments {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
	}
	.problem {
		flex-basis: 100%;
	}
</style>
