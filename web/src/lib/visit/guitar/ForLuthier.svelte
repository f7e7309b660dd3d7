<script lang="ts">
	import type { GuitarVisit } from '../guitarVisit.svelte';
	import { luthierLines } from './guitarWords';

	let { open }: { open: GuitarVisit } = $props();
	const lines = $derived(luthierLines(open.body, open.measured));
</script>

{#if lines.length}
	<section aria-label="For a luthier">
		<h2><b>For a luthier</b> <span>advice, not for today: what would bring stopped notes home</span></h2>
		{#each lines as line (line)}<p>{line}</p>{/each}
	</section>
{/if}

<style>
	section {
		display: grid;
		gap: 0.2rem;
	}
</style>
