<script lang="ts">
	import { onShortDay } from '$lib/ui/format';

	interface Props {
		instrumentId: string;
		/** Newest first. */
		visits: readonly { readonly id: string; readonly startedAt: Date }[];
		before?: string;
		after?: string;
	}
	let { instrumentId, visits, before, after }: Props = $props();
</script>

<form action="/instruments/{instrumentId}/compare">
	<label
		>Compare
		<select class="select" name="before">
			{#each visits as { id, startedAt }, i (id)}
				<option value={id} selected={before ? id === before : i === 1}>{onShortDay(startedAt)}</option>
			{/each}
		</select></label
	>
	<label
		>with
		<select class="select" name="after">
			{#each visits as { id, startedAt }, i (id)}
				<option value={id} selected={after ? id === after : i === 0}>{onShortDay(startedAt)}</option>
			{/each}
		</select></label
	>
	<button class="btn preset-outlined-surface-300-700">Show both</button>
</form>

<style>
	form,
	label {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.6rem;
	}
	form {
		margin-top: 0.75rem;
	}
	.select {
		width: 9.5rem;
	}
</style>
