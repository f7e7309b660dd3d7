<script lang="ts">
	import { fixed } from '$lib/ui/format';
	interface Props {
		/** Beats a second by the taps; undefined before three of them. */
		rate: number | undefined;
		count: number;
		ontap: () => void;
	}
	let { rate, count, ontap }: Props = $props();
</script>

<button type="button" onclick={ontap} aria-label="Tap a beat">
	<span class="rate">{rate === undefined ? '–' : fixed(rate, 2)}</span>
	<span class="soft">a second, {count} tapped</span>
</button>

<style>
	button {
		display: grid;
		justify-items: center;
		min-width: 16rem;
		padding: 0.4rem 1rem 0.8rem;
		border-block: 1px solid var(--line);
		cursor: pointer;
	}
	.rate {
		font-size: 6rem;
		line-height: 1.1;
		font-weight: 600;
		font-variant-numeric: tabular-nums;
	}
</style>
