<script lang="ts">
	import { CIRCLE_FROM_C, keyCharacters, noteClassName } from '@fendrel/core';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { fixed } from '$lib/ui/format';

	let { open }: { open: KeyboardVisit } = $props();
	const { plan, body } = $derived(open);
	/** Keys at home and a little around it, by fifths: F C G D A E B♭ E♭. */
	const KEYS = [5, 0, 7, 2, 9, 4, 10, 3];
	const SHIFTS = [
		{ by: -1, name: 'down a semitone' },
		{ by: 1, name: 'up a semitone' }
	] as const;
	const JUST = 386.314;
	const LOWEST = 60;
	const HIGHEST = 78;
	const characters = $derived.by(() => {
		if (body.lowest > LOWEST || body.highest < HIGHEST) return undefined;
		return keyCharacters((note) => plan.targetOf(note)!.string).filter(({ mode }) => mode === 'major');
	});
	/** Cents that the third of a key is wide, its keyboard shifted by so many semitones. */
	const thirdOf = (key: number, by: number) => characters![(key + by + 12) % 12].major.size - JUST;
	const ordered = KEYS.toSorted((a, b) => place(a) - place(b));
	function place(key: number) {
		return (CIRCLE_FROM_C.indexOf(key) + 3) % 12;
	}
</script>

{#if characters}
	<details>
		<summary>If the keyboard shifts</summary>
		<p class="soft">
			It is tuned for the position that it is played in. Shifted without tuning, home keys become remote ones: cents
			that the third of each is wide.
		</p>
		<table class="figure-table" aria-label="Thirds of keys in each position">
			<thead>
				<tr
					><th scope="col">position</th>{#each ordered as key (key)}<th scope="col" class="figure"
							>{noteClassName(key)}</th
						>{/each}</tr
				>
			</thead>
			<tbody>
				{#each [{ by: 0, name: 'as it is tuned' }, ...SHIFTS] as { by, name } (by)}
					<tr
						><th scope="row">{name}</th>{#each ordered as key (key)}<td>{fixed(thirdOf(key, by), 0)}</td>{/each}</tr
					>
				{/each}
			</tbody>
		</table>
	</details>
{/if}

<style>
	summary {
		min-height: 44px;
		display: flex;
		align-items: center;
		cursor: pointer;
	}
	.figure-table td {
		font-size: 0.8rem;
	}
</style>
