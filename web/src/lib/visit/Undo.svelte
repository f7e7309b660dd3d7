<script lang="ts">
	import Redo2 from '@lucide/svelte/icons/redo-2';
	import Undo2 from '@lucide/svelte/icons/undo-2';
	import { groupOf, undoable, type Act } from '@fendrel/core';
	import { actWords } from './actWords';
	import type { OpenVisit } from './openVisit.svelte';

	/** Told of a group whose taking was taken back, or stands again. */
	let { open, onundone }: { open: OpenVisit; onundone?: (group: number) => void } = $props();
	const { last, again } = $derived(undoable(open.record.report));

	/** What was taken back, or up again, on this page just now. */
	let said = $state.raw<{ readonly id: string; readonly text: string } | undefined>();
	/** @param ids of what is taken back: `act` and what was done with it, or their taking back */
	function takeBack(ids: readonly string[], act: Act | undefined, as: string) {
		if (!act) return;
		open.record.together(() => ids.forEach((id) => open.record.act({ do: 'takeBack', act: id })));
		said = { id: ids[0], text: `${as}: ${actWords(act, open.family)}` };
		if (act.do === 'plan') open.edition++;
		if (act.do === 'accept') onundone?.(groupOf(act.sounders[0]));
	}
	const undo = () =>
		takeBack(
			last.map(({ id }) => id),
			last[0],
			'Taken back'
		);
	const redo = () =>
		takeBack(
			again.map(({ by }) => by.id),
			again[0]?.act,
			'Taken up again'
		);

	function onkeydown(event: KeyboardEvent) {
		const { key, ctrlKey, metaKey, shiftKey, target } = event;
		if (!(ctrlKey || metaKey) || key.toLowerCase() !== 'z') return;
		// What is typed has an undo of its own.
		if ((target as Partial<HTMLElement> | null)?.closest?.('input, textarea, select, [role="dialog"]')) return;
		event.preventDefault();
		if (shiftKey) redo();
		else undo();
	}
</script>

<svelte:window {onkeydown} />

<div class="undo">
	<button
		type="button"
		onclick={undo}
		disabled={last.length === 0}
		aria-label="Undo"
		title={last[0] ? `Take back: ${actWords(last[0], open.family)} (Ctrl Z)` : 'Nothing to take back'}
		><Undo2 size={19} aria-hidden="true" /></button
	>
	{#if again[0]}
		<button
			type="button"
			onclick={redo}
			aria-label="Redo"
			title="Take up again: {actWords(again[0].act, open.family)} (Ctrl Shift Z)"
			><Redo2 size={19} aria-hidden="true" /></button
		>
	{/if}
	{#if said}{#key said.id}<p role="status">{said.text}</p>{/key}{/if}
</div>

<style>
	.undo {
		display: flex;
	}
	button {
		display: inline-grid;
		place-items: center;
		min-width: 40px;
		min-height: 44px;
		color: var(--soft);
		cursor: pointer;
	}
	button:disabled {
		opacity: 0.4;
		cursor: default;
	}
	button:not(:disabled):hover {
		color: var(--ink);
	}
	p {
		position: absolute;
		left: 50%;
		translate: -50% 0;
		top: calc(100% + 0.5rem);
		z-index: 5;
		padding: 0.4rem 0.9rem;
		background: var(--ink);
		color: var(--ground);
		border-radius: var(--radius-base);
		white-space: nowrap;
		pointer-events: none;
		animation: pass 5s forwards;
	}
	@keyframes pass {
		0%,
		80% {
			opacity: 1;
		}
		100% {
			opacity: 0;
			visibility: hidden;
		}
	}
</style>
