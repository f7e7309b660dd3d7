<script lang="ts">
	import RoundView from '$lib/round/RoundView.svelte';

	import { goto } from '$app/navigation';

	let { data } = $props();
</script>

<svelte:head><title>Round | Fendrel</title></svelte:head>

<RoundView
	instruments={data.instruments}
	now={data.now}
	on={data.on}
	onchoose={(on) => goto(on ? `?on=${on}` : '/round', { keepFocus: true, noScroll: true })}
/>
