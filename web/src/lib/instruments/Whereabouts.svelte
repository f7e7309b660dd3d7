<script lang="ts">
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { untrack } from 'svelte';
	import { sent } from '$lib/device/send';
	import DialogSheet from '$lib/ui/DialogSheet.svelte';

	interface Props {
		instrument: {
			readonly id: string;
			readonly name: string;
			readonly locationId: string | null;
			readonly ownerId: string | null;
			readonly archivedAt: Date | null;
		};
		places: readonly { readonly id: string; readonly name: string; readonly town: string }[];
		contacts: readonly { readonly id: string; readonly name: string; readonly role: string }[];
		onchange: () => Promise<void>;
	}
	let { instrument, places, contacts, onchange }: Props = $props();
	let open = $state(false);
	let locationId = $state(untrack(() => instrument.locationId ?? ''));
	let ownerId = $state(untrack(() => instrument.ownerId ?? ''));
	let isArchived = $state(untrack(() => instrument.archivedAt !== null));
	let problem = $state<string>();

	async function keep(event: SubmitEvent) {
		event.preventDefault();
		problem = await sent('PUT', `/api/instruments/${instrument.id}/whereabouts`, {
			...{ locationId: locationId || null, ownerId: ownerId || null, isArchived }
		});
		if (problem) return;
		open = false;
		await onchange();
	}
</script>

<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => (open = true)}>Move</button>
<DialogSheet {open} title="Where does {instrument.name} stand?" onclose={() => (open = false)} sheet="w-full max-w-lg">
	<form onsubmit={keep}>
		<label class="field"
			><span>Place</span>
			<select class="select" bind:value={locationId}>
				<option value="">not noted</option>
				{#each places as { id, name, town } (id)}<option value={id}>{[name, town].filter(Boolean).join(', ')}</option
					>{/each}
			</select></label
		>
		<label class="field"
			><span>Owner</span>
			<select class="select" bind:value={ownerId}>
				<option value="">not noted</option>
				{#each contacts as { id, name, role } (id)}<option value={id}>{[name, role].filter(Boolean).join(', ')}</option
					>{/each}
			</select></label
		>
		<label class="aside"
			><input class="checkbox" type="checkbox" bind:checked={isArchived} /> Laid aside: kept with its history, and no longer
			due</label
		>
		<p class="soft">Its visits go with it. Another place or person is added under Round, Places and people.</p>
		{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
		<div class="flex flex-wrap gap-3">
			<button class="btn preset-filled-brand">Keep</button>
			<Dialog.CloseTrigger type="button" class="btn preset-outlined-surface-300-700">Cancel</Dialog.CloseTrigger>
		</div>
	</form>
</DialogSheet>

<style>
	form {
		display: grid;
		gap: 1rem;
	}
	.aside {
		display: flex;
		gap: 0.6rem;
		align-items: center;
		min-height: 44px;
	}
</style>
