<script lang="ts">
	import { v7 as uuid } from 'uuid';
	import { goto } from '$app/navigation';
	import { sent } from '$lib/device/send';
	import { saveFile } from '$lib/ui/saveFile';
	import { writeCsv } from '$lib/ui/csv';
	import { counted } from '$lib/ui/format';
	import { alikeContacts, alikePlaces } from './alike';
	import AlikeList from './AlikeList.svelte';
	import CardsImport from './CardsImport.svelte';
	import ContactList from './ContactList.svelte';
	import type { Contact, Place } from './place';

	interface Props {
		places: readonly (Place & { readonly instruments: number })[];
		contacts: readonly Contact[];
		mayDecide: boolean;
		onchange: () => Promise<void>;
	}
	let { places, contacts, mayDecide, onchange }: Props = $props();
	let problem = $state<string>();
	let name = $state('');
	let town = $state('');
	const written = ({ name, town }: { readonly name: string; readonly town: string }) =>
		[name, town].filter(Boolean).join(', ');
	const placeName = (id: string | null) => places.find((place) => place.id === id)?.name ?? '';
	const alike = $derived([
		...alikePlaces(places).map(([a, b]) => ({ kind: 'places' as const, a, b, words: [written(a), written(b)] })),
		...alikeContacts(contacts).map(([a, b]) => ({
			...{ kind: 'contacts' as const, a, b },
			words: [a, b].map((each) => [each.name, each.role, placeName(each.locationId)].filter(Boolean).join(', '))
		}))
	]);

	async function add(event: SubmitEvent) {
		event.preventDefault();
		const id = uuid();
		const blank = { address: '', entry: '', latitude: null, longitude: null, fromHome: null, version: 0 };
		problem = await sent('PUT', `/api/places/${id}`, { name, town, ...blank });
		if (!problem) await goto(`/round/places/${id}`);
	}
	async function merge(kind: 'places' | 'contacts', from: string, into: string) {
		problem = await sent('POST', `/api/${kind}/${from}/merge`, { into });
		await onchange();
	}
	function download() {
		const rows = places.map(({ name, town, address, entry, latitude, longitude, fromHome, instruments }) => ({
			...{ place: name, town, address, 'getting in': entry, instruments },
			...{ latitude: latitude ?? '', longitude: longitude ?? '', 'minutes from home': fromHome ?? '' }
		}));
		saveFile(new Blob([writeCsv(rows)], { type: 'text/csv' }), 'fendrel-places.csv');
	}
</script>

<div class="view">
	<section aria-label="Places">
		<h1>{counted(places.length, 'place')}, {counted(contacts.length, 'contact')}</h1>
		{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
		<table class="rule-table">
			<thead><tr><th>Place</th><th>Getting in</th><th class="figure">Instruments</th></tr></thead>
			<tbody>
				{#each places as place (place.id)}
					<tr>
						<th scope="row"
							><a class="anchor" href="/round/places/{place.id}">{place.name}</a>
							<span class="soft">{place.town}</span></th
						>
						<td>{place.entry}</td>
						<td class="figure">{place.instruments}</td>
					</tr>
				{/each}
			</tbody>
		</table>
		<form class="add" onsubmit={add} aria-label="Another place">
			<label class="field"
				><span>Another place</span><input class="input" bind:value={name} required maxlength="120" /></label
			>
			<label class="field"><span>Town</span><input class="input" bind:value={town} maxlength="120" /></label>
			<button class="btn preset-outlined-surface-300-700">Add it</button>
		</form>
		<button class="choice" onclick={download}>Places as CSV</button>
	</section>
	<section aria-label="People">
		{#if mayDecide && alike.length}<AlikeList pairs={alike} onmerge={merge} />{/if}
		<ContactList {contacts} {places} {onchange} />
		<CardsImport {places} {onchange} />
		{#if contacts.length}<p><a class="anchor" href="/round/places/contacts" download>Everybody as vCards</a></p>{/if}
	</section>
</div>

<style>
	.view {
		display: grid;
		grid-template-columns: minmax(0, 6fr) minmax(0, 5fr);
		gap: 3rem;
		align-items: start;
	}
	h1 {
		margin-bottom: 1rem;
	}
	.add {
		display: grid;
		grid-template-columns: 1fr 1fr auto;
		gap: 0.8rem;
		align-items: end;
		margin-block: 1.5rem;
	}
	@media (max-width: 999px) {
		.view {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
