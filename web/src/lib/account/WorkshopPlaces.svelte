<script lang="ts">
	import { page } from '$app/state';
	import { mayDo, type Right, type Role } from '$lib/workshop/roles';

	let { role }: { role: Role | undefined } = $props();
	const places: readonly { readonly href: string; readonly label: string; readonly right: Right }[] = [
		{ href: '/account', label: 'You', right: 'look' },
		{ href: '/workshop/people', label: 'People', right: 'govern' },
		{ href: '/workshop/changes', label: 'What was changed', right: 'govern' },
		{ href: '/workshop/deleted', label: 'Deleted', right: 'decide' },
		{ href: '/workshop/data', label: 'What is stored', right: 'work' }
	];
	const open = $derived(places.filter(({ right }) => mayDo(role, right)));
</script>

{#if open.length > 1}
	<nav aria-label="Workshop">
		{#each open as { href, label } (href)}
			<a {href} aria-current={page.url.pathname === href ? 'page' : undefined}>{label}</a>
		{/each}
	</nav>
{/if}

<style>
	nav {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1.5rem;
		margin-bottom: 1.5rem;
		border-bottom: 1px solid var(--line);
	}
	a {
		display: flex;
		align-items: center;
		min-height: 44px;
		color: var(--soft);
		border-bottom: 3px solid transparent;
	}
	a[aria-current] {
		color: var(--ink);
		font-weight: 700;
		border-bottom-color: var(--felt);
	}
</style>
