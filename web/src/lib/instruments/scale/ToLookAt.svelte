<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		/** The picture that it stands beside. */
		picture: Snippet;
		label: string;
		heading: string;
		items: readonly string[];
		/** What is said when there are none. */
		none: string;
		/** What the picture rests on. */
		about: string;
		/** More than so many are only counted. */
		most?: number;
	}
	let { picture, label, heading, items, none, about, most = Infinity }: Props = $props();
</script>

<div class="beside">
	<div>{@render picture()}</div>
	<section aria-label={label}>
		<h2 class="panel-heading">{heading}</h2>
		{#if items.length}
			<ul>
				{#each items.slice(0, most) as item (item)}<li>{item}</li>{/each}
				{#if items.length > most}<li class="soft">and {items.length - most} more</li>{/if}
			</ul>
		{:else}<p class="soft">{none}</p>{/if}
		<p class="soft small">{about}</p>
	</section>
</div>

<style>
	.beside {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 17.5rem;
		gap: 2rem;
	}
	section {
		display: grid;
		gap: 0.5rem;
		align-content: start;
	}
	li {
		padding: 0.45rem 0;
		border-top: 1px solid var(--line);
		line-height: 1.35;
	}
	.small {
		font-size: 0.87rem;
		line-height: 1.4;
	}
	@media (max-width: 900px) {
		.beside {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
