<script lang="ts">
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { untrack } from 'svelte';
	import { sent } from '$lib/device/send';
	import { contactSchema, type Contact } from './place';

	interface Props {
		contact: Contact;
		places: readonly { readonly id: string; readonly name: string; readonly town: string }[];
		ondone: () => void;
	}
	let { contact, places, ondone }: Props = $props();
	let draft = $state(untrack(() => ({ ...contact, locationId: contact.locationId ?? '' })));
	let problem = $state<string>();

	async function keep(event: SubmitEvent) {
		event.preventDefault();
		const checked = contactSchema.safeParse({ ...$state.snapshot(draft), locationId: draft.locationId || null });
		problem = checked.success
			? await sent('PUT', `/api/contacts/${contact.id}`, checked.data)
			: checked.error.issues[0].message;
		if (!problem) ondone();
	}
	async function remove() {
		problem = await sent('DELETE', `/api/contacts/${contact.id}`);
		if (!problem) ondone();
	}
</script>

<form onsubmit={keep}>
	<label class="field wide"><span>Name</span><input class="input" bind:value={draft.name} maxlength="120" /></label>
	<label class="field"
		><span>What they do there</span><input class="input" bind:value={draft.role} maxlength="120" /></label
	>
	<label class="field"
		><span>Place</span>
		<select class="select" bind:value={draft.locationId}>
			<option value="">not noted</option>
			{#each places as { id, name, town } (id)}<option value={id}>{[name, town].filter(Boolean).join(', ')}</option
				>{/each}
		</select></label
	>
	<label class="field"
		><span>Telephone</span><input class="input" type="tel" bind:value={draft.phone} maxlength="60" /></label
	>
	<label class="field"
		><span>E-mail</span><input class="input" inputmode="email" bind:value={draft.email} maxlength="190" /></label
	>
	<label class="field wide"
		><span>Note</span><textarea class="textarea" rows="3" bind:value={draft.note} maxlength="1000"></textarea></label
	>
	{#if problem}<p class="problem wide" role="alert">{problem}</p>{/if}
	<div class="wide flex flex-wrap gap-3">
		<button class="btn preset-filled-brand">Keep</button>
		<Dialog.CloseTrigger type="button" class="btn preset-outlined-surface-300-700">Cancel</Dialog.CloseTrigger>
		{#if contact.version}
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={remove}>Delete {contact.name}</button>
		{/if}
	</div>
</form>

<style>
	form {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: 1rem;
	}
	.wide {
		grid-column: 1 / -1;
	}
</style>
