<script lang="ts">
	import LocalNav from '$lib/ui/LocalNav.svelte';
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

{#if open.length > 1}<LocalNav label="Workshop" places={open} />{/if}
