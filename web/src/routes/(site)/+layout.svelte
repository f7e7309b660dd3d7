<script lang="ts">
	import SiteHeader from '$lib/account/SiteHeader.svelte';

	let { data, children } = $props();
</script>

<SiteHeader workshop={data.signedIn.workshop} role={data.signedIn.role} />

<main class="page">{@render children()}</main>
