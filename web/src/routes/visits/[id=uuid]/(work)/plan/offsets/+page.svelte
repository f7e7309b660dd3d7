<script lang="ts">
	import OffsetSheet from '$lib/visit/guitar/OffsetSheet.svelte';
	import PrintPage from '$lib/visit/PrintPage.svelte';

	let { data } = $props();
	const { open } = $derived(data);
</script>

<PrintPage
	heading={open.instrument.name}
	title="Offsets of {open.instrument.name}"
	back="/visits/{open.visit.id}/plan"
	backTo="Plan"
>
	<OffsetSheet {open} />
</PrintPage>
