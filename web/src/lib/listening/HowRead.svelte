<script lang="ts">
	import type { ListeningHabits } from '@fendrel/core';

	interface Props {
		habits: ListeningHabits;
		/** Told when the workshop's habits have been kept. */
		onkept: (habits: ListeningHabits) => void;
	}
	let { habits, onkept }: Props = $props();
	let open = $state(false);
</script>

<button type="button" onclick={() => (open = true)}>How a strike is read</button>
{#if open}
	{#await import('./HabitsDialog.svelte') then { default: HabitsDialog }}<HabitsDialog {habits} bind:open {onkept} />
	{:catch}<p class="problem" role="alert">How a strike is read could not be loaded. Reload the page.</p>{/await}
{/if}

<style>
	button {
		min-height: 44px;
		font-size: 0.9rem;
		color: var(--soft);
		text-decoration: underline;
		text-underline-offset: 3px;
		cursor: pointer;
	}
</style>
