<script lang="ts">
	interface Props {
		labels: readonly { readonly note: number; readonly x: number; readonly name: string }[];
		y: number;
	}
	let { labels, y }: Props = $props();
</script>

{#each labels as { note, x, name } (note)}<text {x} {y} text-anchor="middle">{name}</text>{/each}
