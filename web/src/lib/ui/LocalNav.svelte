<script lang="ts">
	import { page } from '$app/state';

	interface Props {
		label: string;
		places: readonly { readonly href: string; readonly label: string }[];
	}
	let { label, places }: Props = $props();
	/** The one whose address begins most like where one is. */
	const here = $derived(
		places
			.map(({ href }) => href)
			.filter((href) => page.url.pathname === href || page.url.pathname.startsWith(`${href}/`))
			.sort((a, b) => b.length - a.length)
			.at(0)
	);
</script>

<nav aria-label={label}>
	{#each places as { href, label: name } (href)}
		<a {href} aria-current={here === href ? 'page' : undefined}>{name}</a>
	{/each}
</nav>

<style>
	nav {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1.5rem;
		margin-top: -0.75rem;
		margin-bottom: 1rem;
	}
	a {
		display: flex;
		align-items: center;
		min-height: 44px;
		color: var(--soft);
	}
	a[aria-current] {
		color: var(--felt);
		font-weight: 700;
	}
	@media print {
		nav {
			display: none;
		}
	}
</style>
