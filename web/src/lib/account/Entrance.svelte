<script lang="ts">
	import type { Snippet } from 'svelte';

	let { children }: { children: Snippet } = $props();
</script>

<div class="entrance">
	<section class="promise">
		<p class="name">Fendrel</p>
		<p class="verdict">Look, measure, plan, tune, prove, record.</p>
		<p class="soft">
			Goes with you through a visit: listens, computes every target for the instrument in front of you, says what the
			ear will hear, and keeps the record.
		</p>
	</section>
	<main>{@render children()}</main>
</div>

<style>
	.entrance {
		min-height: 100vh;
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 26rem);
		gap: clamp(2rem, 7vw, 7rem);
		align-items: center;
		max-width: 66rem;
		margin: 0 auto;
		padding: 2rem 1.5rem;
	}
	.name {
		font-weight: 700;
		color: var(--felt);
		font-size: 1.15rem;
		margin-bottom: 1.5rem;
	}
	.verdict {
		font-size: clamp(2rem, 4.6vw, 3.4rem);
		margin-bottom: 1.5rem;
	}
	.promise .soft {
		max-width: 30rem;
		font-size: 1.1rem;
	}
	main {
		background: var(--sheet);
		border: 1px solid var(--line);
		border-radius: var(--radius-container);
		padding: 2rem;
	}
	@media (max-width: 760px) {
		.entrance {
			grid-template-columns: minmax(0, 1fr);
			align-content: start;
			gap: 1.5rem;
		}
		.promise .soft {
			display: none;
		}
		main {
			padding: 1.25rem;
		}
	}
</style>
