<script lang="ts">
	interface Props {
		ticks: readonly { readonly value: number; readonly y: number }[];
		/** Where the lines run from and to. */
		from: number;
		to: number;
		label: (value: number) => string;
		/** Draws zero as the line that the picture is about. */
		zero?: boolean;
	}
	let { ticks, from, to, label, zero = false }: Props = $props();
</script>

{#each ticks as { value, y } (value)}
	<line x1={from} x2={to} y1={y} y2={y} class={zero && value === 0 ? 'zero' : 'grid'} />
	<text x={from - 9} y={y + 4} text-anchor="end">{value === 0 ? '0' : label(value)}</text>
{/each}

<style>
	.grid {
		stroke: var(--line);
	}
	.zero {
		stroke: var(--felt);
		stroke-width: 1.5;
	}
</style>
