<script lang="ts">
	import { v7 as uuid } from 'uuid';
	import DialogSheet from '$lib/ui/DialogSheet.svelte';
	import ContactForm from './ContactForm.svelte';
	import type { Contact } from './place';

	interface Props {
		contacts: readonly Contact[];
		places: readonly { readonly id: string; readonly name: string; readonly town: string }[];
		/** A new one is at this place. */
		at?: string | null;
		onchange: () => Promise<void>;
	}
	let { contacts, places, at = null, onchange }: Props = $props();
	let open = $state.raw<Contact | undefined>();
	const blank = (): Contact => ({
		...{ id: uuid(), name: '', role: '', phone: '', email: '', note: '', locationId: at, version: 0 }
	});
	const placeName = (id: string | null) => places.find((place) => place.id === id)?.name;
</script>

<h2>People</h2>
{#if contacts.length === 0}<p class="soft">Nobody is noted.</p>{/if}
<ul>
	{#each contacts as contact (contact.id)}
		<li>
			<div>
				<b>{contact.name}</b>
				<span class="soft">{[contact.role, at ? '' : placeName(contact.locationId)].filter(Boolean).join(', ')}</span>
				<p>
					{#if contact.phone}<a class="anchor" href="tel:{contact.phone.replace(/\s/g, '')}">{contact.phone}</a>{/if}
					{#if contact.email}<a class="anchor" href="mailto:{contact.email}">{contact.email}</a>{/if}
				</p>
				{#if contact.note}<p class="soft note">{contact.note}</p>{/if}
			</div>
			<button class="choice" aria-label="Change {contact.name}" onclick={() => (open = contact)}>Change</button>
		</li>
	{/each}
</ul>
<button class="choice" onclick={() => (open = blank())}>Add somebody</button>
<DialogSheet
	open={open !== undefined}
	title={open?.version ? open.name : 'Somebody new'}
	onclose={() => (open = undefined)}
	closesBeside={false}
	sheet="w-full max-w-lg"
>
	{#if open}
		<ContactForm
			contact={open}
			{places}
			ondone={async () => {
				open = undefined;
				await onchange();
			}}
		/>
	{/if}
</DialogSheet>

<style>
	li {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		align-items: start;
		padding-block: 0.6rem;
		border-bottom: 1px solid var(--line);
	}
	li p {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1rem;
	}
	.note {
		white-space: pre-line;
		overflow-wrap: anywhere;
	}
	ul {
		margin-bottom: 0.8rem;
	}
</style>
