<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		href: string;
		name: string;
		about: string;
		/** What stands at its end: a day, minutes. */
		children: Snippet;
	}
	let { href, name, about, children }: Props = $props();
</script>

<a {href}><b>{name}</b><span class="soft">{about}</span><span>{@render children()}</span></a>

<style>
	a {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1.4fr) auto;
		gap: 0.8rem;
		align-items: baseline;
		min-height: 44px;
		padding-block: 0.6rem 0.35rem;
	}
</style>
