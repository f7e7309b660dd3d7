<script lang="ts">
	import { goto, invalidateAll } from '$app/navigation';
	import ClimateImport from '$lib/places/ClimateImport.svelte';
	import ContactList from '$lib/places/ContactList.svelte';
	import MergePlace from '$lib/places/MergePlace.svelte';
	import PlaceForm from '$lib/places/PlaceForm.svelte';
	import WayTable from '$lib/places/WayTable.svelte';
	import { counted } from '$lib/ui/format';
	import { KIND_NAMES } from '$lib/tuning/kinds';
	import { mayDo } from '$lib/workshop/roles';

	let { data } = $props();
	const place = $derived(data.place);
	/** Years that a statement is offered of. */
	const YEARS = 6;
</script>

<svelte:head><title>{place.name} | Fendrel</title></svelte:head>

<h1>{[place.name, place.town].filter(Boolean).join(', ')}</h1>
<div class="view">
	<div>
		{#key `${place.id} ${place.version}`}<PlaceForm {place} onchange={() => invalidateAll()} />{/key}
		<h2>{counted(data.instruments.length, 'instrument')} here</h2>
		<ul class="instruments">
			{#each data.instruments as { id, name, kind, maker } (id)}
				<li>
					<a class="anchor" href="/instruments/{id}">{name}</a>
					<span class="soft">{[KIND_NAMES[kind], maker].filter(Boolean).join(', ')}</span>
				</li>
			{/each}
		</ul>
		{#if data.years.length}
			<h2>What was done here</h2>
			<p class="years">
				{#each data.years.slice(0, YEARS) as year (year)}
					<a class="choice" href="/api/places/{place.id}/statement?year={year}" download>Statement of {year}</a>
				{/each}
			</p>
		{/if}
	</div>
	<div>
		<ContactList contacts={data.contacts} places={data.places} at={place.id} onchange={() => invalidateAll()} />
		{#key place.id}<WayTable {place} ways={data.ways} onchange={() => invalidateAll()} />{/key}
		<ClimateImport {place} span={data.air} onchange={() => invalidateAll()} />
		{#if mayDo(data.signedIn.role, 'decide')}
			<MergePlace {place} places={data.places} ongone={(to) => goto(`/round/places/${to}`, { invalidateAll: true })} />
		{/if}
	</div>
</div>

<style>
	.view {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 3rem;
		margin-top: 1rem;
		align-items: start;
	}
	.instruments {
		columns: 2;
	}
	.instruments li {
		break-inside: avoid;
		padding-block: 0.3rem;
	}
	.years {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	.years a {
		display: inline-flex;
		align-items: center;
	}
	h2 {
		margin-top: 1.5rem;
	}
	@media (max-width: 860px) {
		.view {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
