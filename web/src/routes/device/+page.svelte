<script lang="ts">
	import SiteHeader from '$lib/account/SiteHeader.svelte';
	import KeptDayList from '$lib/visit/KeptDayList.svelte';
	import OnThisDevice from '$lib/visit/OnThisDevice.svelte';
	import { page } from '$app/state';

	let { data } = $props();
	const instead = $derived(page.url.searchParams.get('instead'));
</script>

<svelte:head><title>On this device | Fendrel</title></svelte:head>

<SiteHeader workshop={data.signedIn?.workshop} role={data.signedIn?.role} />
<main class="page">
	<h1>On this device</h1>
	{#if instead}
		<p class="notice" role="status">
			The server does not answer, and {instead} needs it. <a href={instead}>Try again</a>
		</p>
	{/if}
	<KeptDayList />
	<OnThisDevice />
</main>
