<script lang="ts">
	interface Props {
		/** Where the next page is; undefined: this is the last. */
		next: string | undefined;
		/** Where the first is; undefined: this is it. */
		first?: string;
		/** What stands on the pages: "changes". */
		of: string;
	}
	let { next, first, of }: Props = $props();
</script>

{#if next || first}
	<nav aria-label="More {of}">
		{#if first}<a class="btn preset-outlined-surface-300-700" href={first}>From the start</a>{/if}
		{#if next}<a class="btn preset-outlined-surface-300-700" href={next}>More {of}</a>{/if}
	</nav>
{/if}

<style>
	nav {
		display: flex;
		gap: 0.75rem;
		margin-top: 1.25rem;
	}
</style>
