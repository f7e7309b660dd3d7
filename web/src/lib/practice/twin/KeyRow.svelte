<script lang="ts">
	import { isRaisedKey, noteName } from '@fendrel/core';
	import { LETTERS } from './twinKeys';

	interface Props {
		/** The note of the first letter. */
		from: number;
		notes: readonly number[];
		held: ReadonlySet<number>;
		onpress: (note: number) => void;
		onrelease: (note: number) => void;
	}
	let { from, notes, held, onpress, onrelease }: Props = $props();
	const white = $derived(notes.filter((note) => !isRaisedKey(note)));
	/** Widths as shares of the row; a raised key at its end needs room of its own. */
	const RAISED = 0.6;
	const width = $derived(white.length + (isRaisedKey(notes.at(-1) ?? 0) ? RAISED / 2 : 0));
	const percent = (share: number) => `${((100 * share) / width).toFixed(3)}%`;
	/** A raised key lies over the gap before the next white one. */
	const place = (note: number) => {
		const before = white.filter((each) => each < note).length;
		return isRaisedKey(note)
			? `left: ${percent(before - RAISED / 2)}; width: ${percent(RAISED)}`
			: `left: ${percent(before)}; width: ${percent(1)}`;
	};
	// Raised keys lie above the others.
	const drawn = $derived([...white, ...notes.filter(isRaisedKey)]);
</script>

<div class="keys" role="group" aria-label="Keys from {noteName(from)}">
	{#each drawn as note (note)}
		<button
			type="button"
			class:raised={isRaisedKey(note)}
			class:held={held.has(note)}
			style={place(note)}
			aria-label={noteName(note)}
			onpointerdown={() => onpress(note)}
			onpointerup={() => onrelease(note)}
			onpointerleave={() => held.has(note) && onrelease(note)}
			><span class="letter">{LETTERS[note - from].toUpperCase()}</span>{#if !isRaisedKey(note)}<span
					>{noteName(note)}</span
				>{/if}</button
		>
	{/each}
</div>

<style>
	.keys {
		position: relative;
		width: 100%;
		max-width: 62rem;
		height: 9rem;
		touch-action: none;
	}
	button {
		position: absolute;
		top: 0;
		height: 100%;
		border: 1px solid var(--line);
		background: var(--sheet);
		color: var(--soft);
		display: grid;
		align-content: end;
		justify-items: center;
		padding-bottom: 0.5rem;
		font-size: 0.9rem;
		cursor: pointer;
	}
	.letter {
		font-size: 1.25rem;
		font-weight: 600;
		color: var(--ink);
	}
	.raised {
		height: 62%;
		background: var(--ink);
		border-color: var(--ink);
	}
	.raised .letter {
		color: var(--ground);
	}
	.held {
		background: var(--felt);
		color: var(--ground);
		border-color: var(--felt);
	}
	.held .letter {
		color: var(--ground);
	}
</style>
