<script lang="ts">
	import type { BearingCheck } from '@fendrel/core';
	import { comparisonWords, shortRate } from '$lib/tuning/bearingWords';
	import { pairName } from '$lib/ui/beats';

	let { checks }: { checks: readonly BearingCheck[] } = $props();
</script>

<section aria-label="Checks">
	<h2 class="panel-heading">Checks that now sound</h2>
	<ul>
		{#each checks as check (pairName(check.edge))}
			<li>
				<b>{pairName(check.edge)}</b> <span class="mono">{shortRate(check.edge.rate)}</span>
				{#if check.compare}<span class="soft">{comparisonWords(check)}</span>{/if}
			</li>
		{/each}
	</ul>
</section>

<style>
	section {
		margin-top: 0.8rem;
	}
	li {
		font-size: 0.92rem;
		line-height: 1.35;
		padding: 0.25rem 0;
		border-bottom: 1px solid var(--line);
	}
</style>
