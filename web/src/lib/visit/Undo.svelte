<script lang="ts">
	import Undo2 from '@lucide/svelte/icons/undo-2';
	import { groupOf, undoable, type Act } from '@fendrel/core';
	import { actWords } from './actWords';
	import type { OpenVisit } from './openVisit.svelte';

	/** Told of a group whose taking was taken back, or stands again. */
	let { open, onundone }: { open: OpenVisit; onundone?: (group: number) => void } = $props();
	const { last, again } = $derived(undoable(open.record.report));

	function takeBack(id: string, act: Act) {
		open.record.act({ do: 'takeBack', act: id });
		if (act.do === 'plan') open.edition++;
		if (act.do === 'accept') onundone?.(groupOf(act.sounders[0]));
	}
	const undo = () => last && takeBack(last.id, last);
	const redo = () => again && takeBack(again.by.id, again.act);

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

{#if last}
	<button type="button" onclick={undo} title="Take back: {actWords(last, open.family)} (Ctrl Z)">
		<Undo2 size={18} aria-hidden="true" /> Undo
	</button>
{/if}
{#if again}
	<p role="status">
		Taken back: {actWords(again.act, open.family)}.
		<button type="button" class="anchor" onclick={redo} title="Ctrl Shift Z">Take it up again</button>
	</p>
{/if}

<style>
	button:not(.anchor) {
		display: inline-flex;
		align-items: center;
		gap: 0.4rem;
		min-height: 44px;
		padding: 0 0.5rem;
		color: var(--soft);
		cursor: pointer;
	}
	button:not(.anchor):hover {
		color: var(--ink);
	}
	p {
		position: absolute;
		right: 1.5rem;
		top: 100%;
		z-index: 5;
		padding: 0.4rem 0.9rem;
		background: var(--sheet);
		border: 1px solid var(--line);
		border-top: 0;
		font-size: 0.9rem;
	}
</style>
