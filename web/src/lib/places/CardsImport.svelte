<script lang="ts">
	import { v7 as uuid } from 'uuid';
	import { sent } from '$lib/device/send';
	import { counted } from '$lib/ui/format';
	import { plainly } from './alike';
	import { readCards, type ReadContact } from './vcard';

	interface Props {
		places: readonly { readonly id: string; readonly name: string }[];
		onchange: () => Promise<void>;
	}
	let { places, onchange }: Props = $props();
	const LARGEST = 2_000_000;
	let cards = $state.raw<readonly (ReadContact & { readonly id: string })[]>([]);
	let left = $state<string[]>([]);
	let problem = $state<string>();
	let kept = $state.raw<readonly string[]>([]);
	const good = $derived(cards.filter(({ contact }) => contact));
	const chosen = $derived(good.filter(({ id }) => !left.includes(id)));

	async function read(event: Event & { currentTarget: HTMLInputElement }) {
		const input = event.currentTarget;
		const file = input.files?.[0];
		input.value = '';
		[cards, left, kept, problem] = [[], [], [], undefined];
		if (!file) return;
		if (file.size > LARGEST) return (problem = 'This is larger than 2 MB. Take a file with fewer contacts.');
		const found = readCards(await file.text());
		if (!found) return (problem = `${file.name} is no vCard file. Contacts are sent out as .vcf.`);
		cards = found.map((card) => ({ ...card, id: uuid() }));
	}
	/** A card that names one of the places belongs there. */
	const placeOf = ({ contact, address }: ReadContact) =>
		places.find(({ name }) => [contact?.role, address].some((text) => text && plainly(text).includes(plainly(name))))
			?.id ?? null;

	async function keep() {
		const contacts = chosen.map((card) => ({
			...{ ...card.contact!, id: card.id, version: 0 },
			locationId: placeOf(card)
		}));
		problem = await sent('POST', '/api/contacts', { contacts });
		if (problem) return;
		kept = contacts.map(({ id }) => id);
		cards = [];
		await onchange();
	}
	async function takeBack() {
		problem = await sent('DELETE', '/api/contacts', { ids: kept });
		if (problem) return;
		kept = [];
		await onchange();
	}
	const toggle = (id: string) => (left = left.includes(id) ? left.filter((each) => each !== id) : [...left, id]);
</script>

<label class="field file"
	><span>Contacts from a file (vCard)</span>
	<input type="file" accept=".vcf,text/vcard" onchange={read} />
</label>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
{#if cards.length}
	<section aria-label="What the file holds">
		<h2>
			{counted(good.length, 'contact')} in it{cards.length > good.length
				? `, ${cards.length - good.length} cannot be read`
				: ''}
		</h2>
		<ul>
			{#each cards as card (card.id)}
				<li>
					{#if card.contact}
						<label
							><input
								class="checkbox"
								type="checkbox"
								checked={!left.includes(card.id)}
								onchange={() => toggle(card.id)}
							/>
							<b>{card.contact.name}</b>
							<span class="soft"
								>{[card.contact.role, card.contact.phone, card.contact.email, card.address]
									.filter(Boolean)
									.join(', ')}</span
							></label
						>
					{:else}<span>{card.name || 'Without a name'}</span> <span class="problem">{card.problem}</span>{/if}
				</li>
			{/each}
		</ul>
		<button class="btn preset-filled-brand" disabled={!chosen.length} onclick={keep}>Keep {chosen.length}</button>
		<button class="btn preset-outlined-surface-300-700" onclick={() => (cards = [])}>Leave it</button>
	</section>
{/if}
{#if kept.length}
	<p role="status">
		{counted(kept.length, 'contact')} kept. <button class="choice" onclick={takeBack}>Take them back</button>
	</p>
{/if}

<style>
	.file {
		margin-top: 1.5rem;
	}
	li label {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		align-items: center;
		min-height: 44px;
	}
	h2 {
		margin-top: 1rem;
	}
</style>
