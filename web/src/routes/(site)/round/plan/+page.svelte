<script lang="ts">
	import { goto } from '$app/navigation';
	import PlanView from '$lib/round/PlanView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Plan a day | Fendrel</title></svelte:head>

<PlanView
	instruments={data.instruments}
	places={data.places}
	ways={data.ways}
	people={data.people}
	me={data.me}
	now={data.now}
	on={data.on}
	onday={(on) => goto(`?on=${on}`, { keepFocus: true, noScroll: true })}
	onbooked={(on) => goto(`/round/diary?on=${on}`)}
/>
