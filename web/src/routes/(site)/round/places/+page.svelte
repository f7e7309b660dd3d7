<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import PlacesView from '$lib/places/PlacesView.svelte';
	import { mayDo } from '$lib/workshop/roles';

	let { data } = $props();
</script>

<svelte:head><title>Places and people | Fendrel</title></svelte:head>

<PlacesView
	places={data.places}
	contacts={data.contacts}
	mayDecide={mayDo(data.signedIn.role, 'decide')}
	onchange={() => invalidateAll()}
/>
