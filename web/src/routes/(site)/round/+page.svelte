<script lang="ts">
	import { goto } from '$app/navigation';
	import RoundView from '$lib/round/RoundView.svelte';
	import { holdDay } from '$lib/visit/holdDay';
	import { beginVisit } from '$lib/visit/begin';

	let { data } = $props();

	async function begin(id: string) {
		const begun = await beginVisit(id);
		if ('problem' in begun) return begun.problem;
		await goto(`/visits/${begun.value}`);
	}
</script>

<svelte:head><title>Round | Fendrel</title></svelte:head>

<RoundView
	instruments={data.instruments}
	bookings={data.bookings}
	me={data.me}
	now={data.now}
	on={data.on}
	onchoose={(on) => goto(on ? `?on=${on}` : '/round', { keepFocus: true, noScroll: true })}
	onbegin={begin}
	onhold={(stops) => holdDay(stops)}
/>
