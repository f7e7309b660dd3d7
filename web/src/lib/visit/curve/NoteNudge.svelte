<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { signed } from '$lib/ui/format';

	interface Props {
		note: number;
		cents: number;
		isHeld: boolean;
		held: readonly number[];
		onnudge: (by: number) => void;
		onhold: (hold: boolean) => void;
		onselect: (note: number) => void;
		onreleaseall: () => void;
	}
	let { note, cents, isHeld, held, onnudge, onhold, onselect, onreleaseall }: Props = $props();
</script>

<section aria-label="The note chosen">
	<p class="at">
		<b>{noteName(note)}</b> <span class="mono">{signed(cents, 2)}</span> <span class="soft">cents from equal</span>
	</p>
	<div class="row">
		{#each [-0.5, -0.1, 0.1, 0.5] as by (by)}
			<button type="button" class="choice mono" onclick={() => onnudge(by)}>{signed(by)}</button>
		{/each}
	</div>
	<button type="button" class="hold" aria-pressed={isHeld} onclick={() => onhold(!isHeld)}
		>{isHeld ? 'Set by ear: let it follow again' : 'Set this one by ear'}</button
	>
	{#if held.length}
		<p class="soft small">
			Kept by ear: {#each held as each, i (each)}{i ? ', ' : ''}<button type="button" onclick={() => onselect(each)}
					>{noteName(each)}</button
				>{/each}; the others follow. <button type="button" onclick={onreleaseall}>Let them all follow</button>
		</p>
	{:else}
		<p class="soft small">A note you move stays where you put it, and its neighbours follow.</p>
	{/if}
</section>

<style>
	section {
		display: grid;
		gap: 0.4rem;
	}
	.at b {
		font-size: 1.25rem;
	}
	.at .mono {
		font-size: 1.1rem;
	}
	.row {
		display: grid;
		grid-template-columns: repeat(4, 1fr);
		gap: 0.3rem;
	}
	.choice {
		padding: 0;
	}
	.hold {
		min-height: 40px;
		border: 1px solid var(--line);
		border-radius: var(--radius-base);
		background: var(--sheet);
		cursor: pointer;
	}
	.hold[aria-pressed='true'] {
		border-color: var(--felt);
		background: var(--felt-wash);
	}
	.small {
		font-size: 0.85rem;
		line-height: 1.35;
	}
	.small button {
		text-decoration: underline;
		cursor: pointer;
		color: var(--ink);
	}
</style>
