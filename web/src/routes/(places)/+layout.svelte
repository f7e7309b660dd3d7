<script lang="ts">
	import PlacesHeader from '$lib/account/PlacesHeader.svelte';

	let { data, children } = $props();
</script>

<PlacesHeader workshop={data.signedIn.workshop} />

<main class="page">{@render children()}</main>
