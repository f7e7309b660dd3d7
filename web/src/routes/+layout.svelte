<script lang="ts">
	import HandOverNotice from '$lib/handover/HandOverNotice.svelte';
	import '../app.css';

	let { data, children } = $props();
</script>

{#if data.signedIn}<HandOverNotice />{/if}
{@render children()}
