<script lang="ts">
	import type { Notice } from './toneBench.svelte';

	let { notice }: { notice: Notice | undefined } = $props();
</script>

<div role="status">
	{#if notice}
		<p class="notice">
			{notice.text}
			{#if notice.take}<button type="button" class="choice" onclick={notice.take}>{notice.does}</button>{/if}
		</p>
	{/if}
</div>

<style>
	.notice {
		display: grid;
		gap: 0.5rem;
		justify-items: start;
	}
</style>
