<script lang="ts">
	import type { Snippet } from 'svelte';
	import { fixed } from '$lib/ui/format';

	interface Props {
		/** What is due, for who cannot see it: "The reed that is due". */
		label: string;
		/** Its name, and what it gives. */
		name: Snippet;
		/** Cents from its target; undefined: not heard. */
		off: number | undefined;
		/** What to do now. */
		says: string;
		/** The figure is one that moves: it is not to be gone by. */
		isMoving?: boolean;
		/** Within that it stands where it is to stand. */
		within?: number;
	}
	let { label, name, off, says, isMoving = false, within = 0 }: Props = $props();
	const side = $derived(off === undefined || Math.abs(off) < 0.05 ? '' : off > 0 ? 'sharp' : 'flat');
	const isWithin = $derived(off !== undefined && Math.abs(off) <= within);
</script>

<section aria-label={label}>
	<p class="name">{@render name()}</p>
	<p class="figure {side}" class:within={isWithin} class:moving={isMoving}>
		<span class={off === undefined ? 'unread' : 'cents'} data-testid="tone-off"
			>{off === undefined ? 'not read' : fixed(Math.abs(off), 1)}</span
		>
		{#if off !== undefined}<span class="unit">cents{side ? ` too ${side === 'sharp' ? 'high' : 'low'}` : ''}</span>{/if}
	</p>
	<p class="says" role="status">{says}</p>
</section>

<style>
	.name {
		color: var(--soft);
	}
	.name :global(b) {
		color: var(--ink);
	}
	.figure {
		display: flex;
		align-items: baseline;
		gap: 0.7rem;
	}
	.cents {
		font-size: 6.2rem;
		line-height: 1.05;
		font-weight: 700;
		font-variant-numeric: tabular-nums;
	}
	.unread {
		font-size: 2.2rem;
		line-height: calc(6.2rem * 1.05);
		color: var(--soft);
	}
	.unit {
		color: var(--soft);
	}
	.sharp .cents {
		color: var(--sharp);
	}
	.flat .cents {
		color: var(--flat);
	}
	.within .cents {
		color: var(--felt);
	}
	.moving .cents {
		font-weight: 400;
	}
	.says {
		font-family: var(--serif);
		font-size: 1.7rem;
		line-height: 1.15;
		min-height: 3.9rem;
	}
</style>
