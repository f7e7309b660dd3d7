<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		/** What is said and asked. */
		column: Snippet;
		pictures: Snippet;
	}
	let { column, pictures }: Props = $props();
</script>

<div class="columns">
	<div class="column">{@render column()}</div>
	<section class="pictures">{@render pictures()}</section>
</div>

<style>
	.columns {
		display: grid;
		grid-template-columns: minmax(20rem, 27rem) minmax(0, 1fr);
		height: 100%;
	}
	.column {
		padding: 1.25rem 1.5rem;
		border-right: 1px solid var(--line);
		display: grid;
		gap: 1rem;
		align-content: start;
		overflow: auto;
	}
	.pictures {
		padding: 1rem 1.5rem 0.75rem;
		display: flex;
		flex-direction: column;
		gap: 0.45rem;
		min-height: 0;
		min-width: 0;
		overflow: auto;
	}
	.pictures :global(h2) {
		font-family: inherit;
		font-size: 1rem;
	}
	.pictures :global(h2 span) {
		color: var(--soft);
	}
	@media (max-width: 999px), (max-height: 699px) {
		.columns {
			grid-template-columns: minmax(0, 1fr);
		}
		.column {
			border-right: 0;
		}
		.column,
		.pictures {
			padding: 1rem;
		}
	}
	@media (min-width: 900px) and (max-width: 999px) {
		.columns {
			grid-template-columns: 20rem minmax(0, 1fr);
		}
	}
</style>
