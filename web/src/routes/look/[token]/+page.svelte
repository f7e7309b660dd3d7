<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { page } from '$app/state';
	import { sent } from '$lib/device/send';
	import OwnersLookView from '$lib/telephone/OwnersLookView.svelte';
	import OwnersTold from '$lib/telephone/OwnersTold.svelte';
	import { agreedSchema, type HeardNote } from '$lib/telephone/told';

	let { data } = $props();
	const asked = $derived(data.asked);
	let plays = $state(false);
	const address = $derived(`/look/${page.params.token}/heard`);

	async function send(notes: readonly HeardNote[]) {
		const problem = await sent('PUT', address, { notes });
		if (problem) return problem;
		await invalidateAll();
		plays = false;
	}
	async function agree(name: string) {
		const said = agreedSchema.safeParse({ name, heardAt: asked.heardAt });
		if (!said.success) return said.error.issues[0].message;
		const problem = await sent('POST', address, said.data);
		if (!problem) await invalidateAll();
		return problem;
	}
</script>

<svelte:head><title>Your instrument, before the visit | Fendrel</title></svelte:head>

<main class="page">
	<h1>Your instrument, before the visit</h1>
	<p class="soft">Asked for by {asked.workshop}</p>
	{#if asked.told && !plays}
		<OwnersTold
			told={asked.told}
			workshop={asked.workshop}
			agreedBy={asked.agreedBy}
			onagree={agree}
			onagain={() => (plays = true)}
		/>
	{:else}
		<OwnersLookView options={asked} onsend={send} />
	{/if}
</main>

<style>
	main {
		max-width: 46rem;
	}
	h1 {
		font-size: 2.1rem;
	}
	h1 + p {
		margin-bottom: 1.5rem;
	}
</style>
