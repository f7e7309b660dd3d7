<script lang="ts">
	import { page } from '$app/state';

	let { children } = $props();
	const views = [
		{ href: '/intervals', label: 'Two notes' },
		{ href: '/intervals/octave', label: 'A whole octave' },
		{ href: '/intervals/counts', label: 'From counted beats' },
		{ href: '/intervals/tone', label: 'A tone that lasts' }
	];
</script>

<nav aria-label="Views of intervals">
	{#each views as { href, label } (href)}
		<a {href} aria-current={page.url.pathname === href ? 'page' : undefined}>{label}</a>
	{/each}
</nav>
{@render children()}

<style>
	nav {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1.5rem;
		margin-top: -0.75rem;
		margin-bottom: 0.75rem;
	}
	a {
		min-height: 44px;
		display: flex;
		align-items: center;
		color: var(--soft);
	}
	a[aria-current] {
		color: var(--felt);
		font-weight: 700;
	}
</style>
