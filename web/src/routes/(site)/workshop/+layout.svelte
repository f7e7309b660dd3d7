<script lang="ts">
	import WorkshopPlaces from '$lib/account/WorkshopPlaces.svelte';

	let { data, children } = $props();
</script>

<WorkshopPlaces role={data.signedIn.role} />
{@render children()}
