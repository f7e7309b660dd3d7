<script lang="ts">
	import PlatePrint from '$lib/visit/reeds/PlatePrint.svelte';
	import PrintPage from '$lib/visit/PrintPage.svelte';

	let { data } = $props();
	const { open } = $derived(data);
</script>

<PrintPage title="Plates of {open.instrument.name}" back="/visits/{open.visit.id}/plan" backTo="Plan">
	<h1>{open.instrument.name}</h1>
	<PlatePrint {open} />
</PrintPage>

<style>
	h1 {
		font-family: var(--serif);
		font-size: 1.8rem;
	}
</style>
