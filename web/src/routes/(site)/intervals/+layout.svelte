<script lang="ts">
	import LocalNav from '$lib/ui/LocalNav.svelte';

	let { children } = $props();
	const views = [
		{ href: '/intervals', label: 'Two notes' },
		{ href: '/intervals/octave', label: 'A whole octave' },
		{ href: '/intervals/counts', label: 'From counted beats' },
		{ href: '/intervals/tone', label: 'A tone that lasts' }
	];
</script>

<LocalNav label="Views of intervals" places={views} />
{@render children()}
