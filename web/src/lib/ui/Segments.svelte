<script lang="ts" generics="Id extends string | number">
	interface Props {
		/** What is chosen here, for whoever cannot see it. */
		label: string;
		choices: readonly { readonly id: Id; readonly label: string }[];
		/** Undefined: none of them. */
		chosen: Id | undefined;
		onchoose: (id: Id) => void;
		/** As wide as there is room. */
		wide?: boolean;
		disabled?: boolean;
	}
	let { label, choices, chosen, onchoose, wide = false, disabled = false }: Props = $props();
</script>

<div role="group" aria-label={label} class:wide>
	{#each choices as { id, label: text } (id)}
		<button type="button" aria-pressed={id === chosen} {disabled} onclick={() => onchoose(id)}>{text}</button>
	{/each}
</div>

<style>
	div {
		flex: none;
		align-self: flex-start;
		display: inline-flex;
		border: 1px solid var(--line);
		border-radius: var(--radius-base);
		overflow: hidden;
	}
	.wide {
		display: grid;
		grid-auto-flow: column;
		grid-auto-columns: 1fr;
	}
	button {
		min-height: 42px;
		padding: 0 0.7rem;
		line-height: 1.15;
		cursor: pointer;
	}
	.wide button {
		padding: 0 0.4rem;
	}
	button:not(:first-child) {
		border-left: 1px solid var(--line);
	}
	button[aria-pressed='true'] {
		background: var(--felt-wash);
		font-weight: 700;
	}
	button:disabled {
		cursor: default;
		opacity: 0.6;
	}
	@media (max-width: 1100px) {
		button {
			padding: 0 0.5rem;
		}
	}
</style>
