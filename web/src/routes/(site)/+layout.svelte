<script lang="ts">
	import { writeFor } from '$lib/ui/writing';
	import OnceLive from '$lib/ui/OnceLive.svelte';
	import SiteHeader from '$lib/account/SiteHeader.svelte';

	let { data, children } = $props();
	writeFor(() => data.signedIn.writing);
</script>

<OnceLive>
	<SiteHeader workshop={data.signedIn.workshop} role={data.signedIn.role} />

	<main class="page">{@render children()}</main>
</OnceLive>
