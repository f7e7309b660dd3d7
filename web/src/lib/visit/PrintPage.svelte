<script lang="ts">
	import Printer from '@lucide/svelte/icons/printer';
	import type { Snippet } from 'svelte';

	interface Props {
		title: string;
		/** What it is of. */
		heading: string;
		/** Where one came from. */
		back: string;
		backTo: string;
		children: Snippet;
	}
	let { title, heading, back, backTo, children }: Props = $props();
</script>

<svelte:head><title>{title} | Fendrel</title></svelte:head>

<main>
	<p class="tools">
		<a class="anchor" href={back}>Back to {backTo}</a>
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => print()}
			><Printer size={16} /> Print</button
		>
	</p>
	<h1>{heading}</h1>
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
	h1 {
		font-family: var(--serif);
		font-size: 1.9rem;
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
