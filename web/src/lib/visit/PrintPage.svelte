<script lang="ts">
	import Printer from '@lucide/svelte/icons/printer';
	import type { Snippet } from 'svelte';

	interface Props {
		title: string;
		/** Where one came from. */
		back: string;
		backTo: string;
		children: Snippet;
	}
	let { title, back, backTo, children }: Props = $props();
</script>

<svelte:head><title>{title} | Fendrel</title></svelte:head>

<main>
	<p class="tools">
		<a class="anchor" href={back}>Back to {backTo}</a>
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => print()}
			><Printer size={16} /> Print</button
		>
	</p>
	{@render children()}
</main>

<style>
	main {
		max-width: 62rem;
		margin: 0 auto;
		padding: 1.5rem;
		display: grid;
		gap: 1rem;
	}
	.tools {
		display: flex;
		justify-content: space-between;
		align-items: center;
	}
	@media print {
		.tools {
			display: none;
		}
	}
</style>
