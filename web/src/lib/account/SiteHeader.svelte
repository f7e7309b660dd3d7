<script lang="ts">
	import Search from '@lucide/svelte/icons/search';
	import { page } from '$app/state';
	import SavePictures from '$lib/ui/SavePictures.svelte';
	import { mayDo, type Role } from '$lib/workshop/roles';
	import { signedOutHere } from '$lib/device/owner';
	import LookSwitch from '$lib/ui/LookSwitch.svelte';

	let { workshop, role }: { workshop: string | undefined; role: Role | undefined } = $props();
	const all = [
		{ href: '/round', label: 'Round' },
		{ href: '/instruments', label: 'Instruments' },
		{ href: '/visits', label: 'Visits' },
		{ href: '/temperaments', label: 'Temperaments' },
		{ href: '/intervals', label: 'Intervals' },
		{ href: '/practice', label: 'Practice' },
		{ href: '/device', label: 'On this device' },
		{ href: '/settings', label: 'Settings' }
	];
	/** A guest sees instruments and their papers. */
	const places = $derived(mayDo(role, 'work') ? all : all.filter(({ href }) => href === '/instruments'));

	/** Nothing of the workshop's stays on the device but what waits to be handed over. */
	async function leave(event: SubmitEvent & { currentTarget: HTMLFormElement }) {
		event.preventDefault();
		const form = event.currentTarget;
		await signedOutHere().catch(() => {});
		form.submit();
	}
</script>

<header>
	<a class="brand" href="/">Fendrel</a>
	<nav aria-label="Places">
		{#each places as { href, label } (href)}
			<a {href} aria-current={page.url.pathname.startsWith(href) ? 'page' : undefined}>{label}</a>
		{/each}
	</nav>
	<div class="who">
		<a class="soft workshop" href="/account" title="Your account">{workshop}</a>
		{#if mayDo(role, 'work')}<a class="icon" href="/search" aria-label="Search everything"><Search size={18} /></a>{/if}
		<SavePictures />
		<LookSwitch isBrief />
		<form method="POST" action="/signout" onsubmit={leave}><button class="leave">Sign out</button></form>
	</div>
</header>

<style>
	header {
		display: flex;
		align-items: stretch;
		gap: 0 1.5rem;
		padding: 0 1.5rem;
		border-bottom: 1px solid var(--line);
		flex-wrap: wrap;
	}
	.brand {
		display: flex;
		align-items: center;
		font-weight: 700;
		color: var(--felt);
		font-size: 1.1rem;
		min-height: 56px;
	}
	nav {
		display: flex;
		gap: 1.2rem;
	}
	nav a {
		display: flex;
		align-items: center;
		min-height: 56px;
		color: var(--soft);
		border-bottom: 3px solid transparent;
		border-top: 3px solid transparent;
	}
	nav a[aria-current] {
		color: var(--ink);
		font-weight: 700;
		border-bottom-color: var(--felt);
	}
	.who {
		margin-left: auto;
		display: flex;
		align-items: center;
		gap: 0.3rem;
	}
	.icon {
		display: inline-flex;
		align-items: center;
		justify-content: center;
		min-height: 44px;
		min-width: 44px;
		color: var(--soft);
	}
	.leave {
		min-height: 44px;
		color: var(--soft);
		cursor: pointer;
		white-space: nowrap;
	}
	.leave:hover {
		color: var(--ink);
	}
	@media (max-width: 700px) {
		nav {
			order: 3;
			width: 100%;
			justify-content: space-between;
		}
		nav a,
		.brand {
			min-height: 48px;
		}
		header {
			gap: 1rem;
			padding: 0 1rem;
		}
		.workshop {
			display: none;
		}
		.who {
			gap: 0.25rem;
		}
	}
	@media (max-width: 430px) {
		header {
			gap: 0.8rem;
		}
		nav {
			gap: 0.9rem;
		}
	}
</style>
