<script lang="ts">
	import { noteClassName } from '@fendrel/core';
	import { typedNumber } from '$lib/ui/typed';

	interface Props {
		/** Cents from equal, from C upwards. */
		offsets: readonly number[];
		onset: (note: number, cents: number) => void;
	}
	let { offsets, onset }: Props = $props();
</script>

<fieldset>
	<legend>Offsets from equal, in cents</legend>
	<div class="offsets">
		{#each offsets as offset, i (i)}
			<label
				>{noteClassName(i)}
				<input
					class="input mono"
					inputmode="decimal"
					value={offset}
					onchange={(event) => {
						const value = typedNumber(event.currentTarget.value);
						if (Number.isNaN(value)) event.currentTarget.value = String(offset);
						else onset(i, value);
					}}
				/></label
			>
		{/each}
	</div>
</fieldset>

<style>
	.offsets {
		display: grid;
		grid-template-columns: repeat(4, minmax(0, 1fr));
		gap: 0.5rem 1rem;
		margin-top: 0.6rem;
	}
	label {
		display: grid;
		grid-template-columns: 1.8rem 1fr;
		align-items: center;
		font-weight: 600;
	}
	input {
		min-height: 44px;
		background: var(--sheet);
	}
</style>
