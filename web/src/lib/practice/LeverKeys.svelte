<script lang="ts">
	import { TURNS } from './practiceKeys';

	interface Props {
		onturn: (by: number) => void;
		disabled?: boolean;
	}
	let { onturn, disabled }: Props = $props();
	const WAYS = [
		{ by: -TURNS.far, name: 'far down' },
		{ by: -TURNS.usual, name: 'down' },
		{ by: -TURNS.hair, name: 'a hair down' },
		{ by: TURNS.hair, name: 'a hair up' },
		{ by: TURNS.usual, name: 'up' },
		{ by: TURNS.far, name: 'far up' }
	];
</script>

<div class="lever" role="group" aria-label="Simulated lever">
	{#each WAYS as { by, name } (by)}
		<button type="button" {disabled} onclick={() => onturn(by)}>{name}</button>
	{/each}
</div>

<style>
	.lever {
		display: grid;
		grid-template-columns: repeat(6, minmax(5.2rem, 8rem));
		gap: 1px;
		border-block: 1px solid var(--line);
	}
	button {
		min-height: 56px;
		cursor: pointer;
	}
	button:hover {
		background: var(--sheet);
	}
	@media (max-width: 700px) {
		.lever {
			grid-template-columns: repeat(3, 1fr);
		}
	}
</style>
