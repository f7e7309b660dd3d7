<script lang="ts">
	import { sent } from '$lib/device/send';
	import type { Place } from './place';

	interface Props {
		place: Place;
		places: readonly { readonly id: string; readonly name: string; readonly town: string }[];
		/** Told where to go on: the place is there no more. */
		ongone: (to: string) => void;
	}
	let { place, places, ongone }: Props = $props();
	let into = $state('');
	let problem = $state<string>();
	const others = $derived(places.filter(({ id }) => id !== place.id));

	async function merge() {
		problem = await sent('POST', `/api/places/${place.id}/merge`, { into });
		if (!problem) ongone(into);
	}
	async function remove() {
		problem = await sent('DELETE', `/api/places/${place.id}`);
		if (!problem) ongone('');
	}
</script>

<section aria-label="Merge or delete">
	<h2>The same place as another?</h2>
	<div class="row">
		<select class="select" aria-label="The place that stays" bind:value={into}>
			<option value="">choose the one that stays</option>
			{#each others as { id, name, town } (id)}<option value={id}>{[name, town].filter(Boolean).join(', ')}</option
				>{/each}
		</select>
		<button class="choice" disabled={!into} onclick={merge}>Merge into it</button>
	</div>
	<button class="choice" onclick={remove}>Delete this place</button>
	{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
</section>

<style>
	section {
		display: grid;
		gap: 0.6rem;
		justify-items: start;
		margin-top: 1.5rem;
	}
	.row {
		display: flex;
		gap: 0.6rem;
		width: 100%;
	}
</style>
