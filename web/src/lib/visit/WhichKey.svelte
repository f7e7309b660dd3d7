<script lang="ts">
	import { centsBetween, type Hz } from '@fendrel/core';
	import { askedWords, type Asked } from './asked';

	interface Props {
		asked: Asked;
		nameOf: (note: number) => string;
		targetOf: (note: number) => Hz | undefined;
		onanswer: (note: number) => void;
	}
	let { asked, nameOf, targetOf, onanswer }: Props = $props();
	const words = $derived(
		askedWords(asked, nameOf, (note) => {
			const target = targetOf(note);
			return target && centsBetween(target, asked.reading.pitch);
		})
	);
</script>

<p class="notice">
	{words}
	{#each asked.notes as note (note)}
		<button type="button" class="choice" onclick={() => onanswer(note)}>{nameOf(note)}</button>
	{/each}
</p>

<style>
	.notice {
		display: flex;
		flex-wrap: wrap;
		gap: 0.3rem 0.6rem;
		align-items: center;
		padding: 0.2rem 0.9rem;
		border-left-color: var(--sharp);
		background: var(--sheet);
	}
</style>
