<script lang="ts">
	/** Lines of a record: what each is about, and what is said of it. */
	let { lines }: { lines: readonly (readonly [term: string, text: string])[] } = $props();
</script>

<dl>
	{#each lines as [term, text], i (i)}
		<dt>{term}</dt>
		<dd>{text}</dd>
	{/each}
</dl>

<style>
	dl {
		display: grid;
		grid-template-columns: 7rem minmax(0, 1fr);
		line-height: 1.35;
	}
	dt,
	dd {
		padding: 0.35rem 0;
		border-bottom: 1px solid var(--line);
		overflow-wrap: anywhere;
	}
	dt {
		color: var(--soft);
	}
</style>
