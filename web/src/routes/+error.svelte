<script lang="ts">
	import { page } from '$app/state';
</script>

<svelte:head><title>{page.error?.message ?? 'Not found'} | Fendrel</title></svelte:head>

<main class="page" style="padding-top: 12vh; max-width: 44rem">
	<p class="soft mono">{page.status}</p>
	<h1>{page.error?.message ?? 'There is nothing at this address.'}</h1>
	{#if page.error?.advice}<p class="mt-4">{page.error.advice}</p>{/if}
	<p class="mt-6 flex gap-3">
		<a class="btn preset-filled-brand" href="/instruments">To the instruments</a>
		<button class="btn preset-outlined-surface-300-700" onclick={() => location.reload()}>Try again</button>
	</p>
	<!-- Every page has this one at hand: what only this case needs comes when it happens. -->
	{#if page.error?.away}
		{#await import('$lib/visit/OnThisDevice.svelte') then { default: OnThisDevice }}<OnThisDevice />{/await}
	{/if}
</main>
