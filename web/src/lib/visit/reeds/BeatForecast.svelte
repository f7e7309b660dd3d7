<script lang="ts">
	import { outOfTune } from '@fendrel/core';
	import type { ReedVisit } from '../reedVisit.svelte';
	import { beatsOf, proofsOf } from './proofs';
	import { beatWords, roughestOf } from './reedWords';

	let { open }: { open: ReedVisit } = $props();
	/** Octaves and chords as they will beat when every reed stands where it is planned, at three breaths. */
	const sounds = $derived(
		proofsOf(open).flatMap((proof) => {
			const [soft, normal, hard] = beatsOf(open, proof, 'planned');
			const roughest = [soft, normal, hard].map(roughestOf);
			if (!roughest.every((each) => each !== undefined)) return [];
			const out = outOfTune(normal);
			const name = out && `${out.plate === 'blow' ? 'Blow' : 'Draw'} ${out.hole}`;
			return [{ ...proof, is: proof.groups.length === 2 ? 'octave' : 'chord', roughest, out: name }];
		})
	);
</script>

{#if sounds.length}
	<h2><b>How will they beat?</b> <span>a second, the roughest pair of each; soft, as one plays, hard</span></h2>
	<div class="sounds">
		{#each sounds as { id, name, is, roughest, out } (id)}
			<p>
				<span>{name} <span class="soft">{is}</span></span>
				<span class="mono">{roughest.map(({ rate }) => beatWords(rate)).join(' / ')}</span>
				{#if out}<span class="soft">{out} is outside</span>{/if}
			</p>
		{/each}
	</div>
{/if}

<style>
	.sounds {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(20rem, 1fr));
		gap: 0 1.5rem;
	}
	p {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 0 0.8rem;
		padding: 0.25rem 0;
		border-bottom: 1px solid var(--line);
	}
	.mono {
		font-size: 0.85rem;
	}
</style>
