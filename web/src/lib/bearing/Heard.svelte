<script lang="ts">
	import Check from '@lucide/svelte/icons/check';
	import type { Witness } from './witness';

	let { witness }: { witness: Witness | undefined } = $props();
</script>

{#if witness}
	<span class="heard" class:right={witness.isRight} class:wrong={witness.isRight === false} data-right={witness.isRight}
		>{#if witness.isRight}<Check size={16} aria-hidden="true" />{/if}
		{witness.words}</span
	>
{/if}

<style>
	.heard {
		display: flex;
		align-items: center;
		gap: 0.3rem;
		font-variant-numeric: tabular-nums;
		color: var(--soft);
	}
	.right {
		color: var(--felt);
	}
	.wrong {
		color: var(--ink);
		font-weight: 700;
	}
</style>
