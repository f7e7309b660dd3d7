<script lang="ts">
	import PlatePrint from '$lib/visit/reeds/PlatePrint.svelte';
	import PrintPage from '$lib/visit/PrintPage.svelte';

	let { data } = $props();
	const { open } = $derived(data);
</script>

<PrintPage
	heading={open.instrument.name}
	title="Plates of {open.instrument.name}"
	back="/visits/{open.visit.id}/plan"
	backTo="Plan"
>
	<PlatePrint {open} />
</PrintPage>
