<script lang="ts">
	import type { At, Finding } from '@fendrel/core';
	import { onShortDay } from '$lib/ui/format';

	let { findings }: { findings: readonly At<Finding>[] } = $props();
</script>

<section aria-label="Work found">
	<h2 class="panel-heading">Work found <span>and not done yet</span></h2>
	{#if findings.length}
		<ul>
			{#each findings as { finding, text, state, at } (finding)}
				<li>{text} <span class="soft">{state === 'quoted' ? 'quoted, ' : ''}{onShortDay(new Date(at))}</span></li>
			{/each}
		</ul>
	{:else}<p class="soft">None.</p>{/if}
</section>

<style>
	section {
		margin-top: 1.25rem;
	}
	li {
		padding: 0.35rem 0;
		border-bottom: 1px solid var(--line);
		overflow-wrap: anywhere;
	}
</style>
