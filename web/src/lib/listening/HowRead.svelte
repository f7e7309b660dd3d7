<script lang="ts">
	import type { ListeningHabits } from '@fendrel/core';
	import HabitsDialog from './HabitsDialog.svelte';

	interface Props {
		habits: ListeningHabits;
		/** Told when the workshop's habits have been kept. */
		onkept: (habits: ListeningHabits) => void;
	}
	let { habits, onkept }: Props = $props();
	let open = $state(false);
</script>

<button type="button" onclick={() => (open = true)}>How a strike is read</button>
<HabitsDialog {habits} bind:open {onkept} />

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
