<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		/** What the visit has come to, in a sentence and in lines. */
		verdict: string;
		account: Snippet;
		middle: Snippet;
		/** What is said and handed out at the end. */
		words: Snippet;
	}
	let { verdict, account, middle, words }: Props = $props();
</script>

<div class="close">
	<section class="account">
		<h2>{verdict}</h2>
		{@render account()}
	</section>
	<div class="middle">{@render middle()}</div>
	<section class="words">{@render words()}</section>
</div>

<style>
	.close {
		display: grid;
		grid-template-columns: minmax(19rem, 24rem) minmax(0, 1fr) 20rem;
		height: 100%;
	}
	.account,
	.middle,
	.words {
		padding: 1.25rem 1.5rem;
		overflow: auto;
		min-width: 0;
	}
	.account {
		border-right: 1px solid var(--line);
	}
	.words {
		border-left: 1px solid var(--line);
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		align-content: start;
		gap: 1.25rem;
	}
	h2 {
		font-size: 1.7rem;
		line-height: 1.15;
		margin-bottom: 0.75rem;
	}
	@media (max-width: 1100px) {
		.close {
			grid-template-columns: minmax(0, 1fr);
			height: auto;
		}
		.account,
		.words {
			border: 0;
		}
		.account,
		.middle,
		.words {
			padding: 1.25rem 1rem;
		}
	}
</style>
