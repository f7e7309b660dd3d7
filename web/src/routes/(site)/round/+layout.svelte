<script lang="ts">
	import LocalNav from '$lib/ui/LocalNav.svelte';

	let { children } = $props();
	const places = [
		{ href: '/round', label: 'Today' },
		{ href: '/round/diary', label: 'Diary' },
		{ href: '/round/plan', label: 'Plan a day' },
		{ href: '/round/places', label: 'Places and people' }
	];
</script>

<LocalNav label="Round" {places} />
{@render children()}
