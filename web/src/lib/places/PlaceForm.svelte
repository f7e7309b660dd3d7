<script lang="ts">
	import { untrack } from 'svelte';
	import { sent } from '$lib/device/send';
	import { placeSchema, type Place } from './place';

	interface Props {
		place: Place;
		onchange: () => Promise<void>;
	}
	let { place, onchange }: Props = $props();
	const figure = (value: number | null) => (value === null ? '' : String(value));
	let draft = $state(
		untrack(() => ({
			...place,
			...{ latitude: figure(place.latitude), longitude: figure(place.longitude), fromHome: figure(place.fromHome) }
		}))
	);
	let problem = $state<string>();
	let said = $state(false);

	/** "51,48" as 51.48; nothing as null; what is no figure stays what it is, and is refused by name. */
	const read = (text: string) => (text.trim() === '' ? null : Number(text.trim().replace(',', '.')));

	async function keep(event: SubmitEvent) {
		event.preventDefault();
		const { latitude, longitude, fromHome, ...texts } = $state.snapshot(draft);
		const checked = placeSchema.safeParse({
			...texts,
			...{ latitude: read(latitude), longitude: read(longitude), fromHome: read(fromHome) }
		});
		problem = checked.success
			? await sent('PUT', `/api/places/${place.id}`, checked.data)
			: checked.error.issues[0].message;
		if (problem) return;
		said = true;
		await onchange();
	}
</script>

<form onsubmit={keep} aria-label="The place">
	<label class="field"><span>Name</span><input class="input" bind:value={draft.name} /></label>
	<label class="field"><span>Town</span><input class="input" bind:value={draft.town} /></label>
	<label class="field wide"><span>Address</span><input class="input" bind:value={draft.address} /></label>
	<label class="field wide"
		><span>Getting in: keys, doors, whom to ring</span><textarea class="textarea" rows="2" bind:value={draft.entry}
		></textarea></label
	>
	<label class="field"
		><span>Minutes from where you set out</span><input
			class="input"
			inputmode="numeric"
			placeholder="30"
			bind:value={draft.fromHome}
		/></label
	>
	<span class="degrees">
		<label class="field"
			><span>Degrees north</span><input class="input" inputmode="decimal" bind:value={draft.latitude} /></label
		>
		<label class="field"
			><span>Degrees east</span><input class="input" inputmode="decimal" bind:value={draft.longitude} /></label
		>
	</span>
	{#if problem}<p class="problem wide" role="alert">{problem}</p>{/if}
	<div class="wide">
		<button class="btn preset-filled-brand">Keep</button>
		{#if said && !problem}<span role="status">Kept.</span>{/if}
	</div>
</form>

<style>
	form {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: 1rem;
	}
	.degrees {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: 0.6rem;
	}
	.wide {
		grid-column: 1 / -1;
	}
</style>
