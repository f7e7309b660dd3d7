<script lang="ts">
	import { parseISO } from 'date-fns';
	import { invalidateAll } from '$app/navigation';
	import DiaryView from '$lib/round/diary/DiaryView.svelte';

	let { data } = $props();
</script>

<svelte:head><title>Diary | Fendrel</title></svelte:head>

<h1 class="sr-only">Diary</h1>
<DiaryView
	bookings={data.bookings}
	ground={data.ground}
	addresses={data.addresses}
	date={data.on ? parseISO(data.on) : new Date()}
	instruments={data.instruments}
	onchange={() => invalidateAll()}
/>
