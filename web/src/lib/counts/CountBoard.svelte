<script lang="ts">
	import { INTERVALS, noteName } from '@fendrel/core';
	import X from '@lucide/svelte/icons/x';
	import { errorWords } from '$lib/pairs/pairWords';
	import { OFFERED, type Board } from './board.svelte';
	import { parseRate, SENSES } from './countedOctave';
	import { fixed } from '$lib/ui/format';

	interface Props {
		board: Board;
		/** Pairs to mark, as "lower-upper" note numbers: those that contradict the others. */
		marked: ReadonlySet<string>;
	}
	let { board, marked }: Props = $props();
	const NAMES: Record<number, string> = Object.fromEntries(
		Object.values(INTERVALS).map(({ name, semitones }) => [semitones, name.replace(/ \d+:\d+$/, '')])
	);
	const TOLD = { wide: 'wide', narrow: 'narrow', unknown: '?' } as const;
</script>

<fieldset>
	{#each OFFERED as semitones (semitones)}
		<section>
			<h3>{NAMES[semitones]}{semitones === 12 ? '' : 's'}</h3>
			<div class="cells">
				{#each board.group(semitones) as cell (cell.lower)}
					{@const problem = parseRate(cell.text).problem}
					<div class="cell" class:marked={marked.has(`${cell.lower}-${cell.upper}`)}>
						<label for="rate-{cell.lower}-{cell.upper}">{noteName(cell.lower)}-{noteName(cell.upper)}</label>
						<input
							id="rate-{cell.lower}-{cell.upper}"
							class="input mono"
							inputmode="decimal"
							autocomplete="off"
							placeholder={fixed(Math.abs(cell.predicted), 1)}
							aria-invalid={!!problem}
							title={problem}
							bind:value={cell.text}
						/>
						<select
							class="select"
							aria-label="{noteName(cell.lower)}-{noteName(cell.upper)} is wide or narrow"
							bind:value={cell.sense}
						>
							{#each SENSES as sense (sense)}<option value={sense}>{TOLD[sense]}</option>{/each}
						</select>
						{#if cell.heard}
							<p class="app">
								<span>app {fixed(cell.heard.rate, 2)} ±{errorWords(cell.heard.error)} {TOLD[cell.heard.sense]}</span>
								<button
									type="button"
									title="Leave out what the app heard"
									aria-label="Leave out what the app heard of {noteName(cell.lower)}-{noteName(cell.upper)}"
									onclick={() => (cell.heard = undefined)}><X size={16} /></button
								>
							</p>
						{/if}
					</div>
				{/each}
			</div>
		</section>
	{/each}
</fieldset>

<style>
	fieldset,
	section {
		display: grid;
		gap: 0.35rem;
	}
	fieldset {
		gap: 0.75rem;
	}
	h3 {
		font-weight: 600;
		font-size: 0.95rem;
	}
	h3::first-letter {
		text-transform: uppercase;
	}
	.cells {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(12.3rem, 1fr));
		gap: 0.3rem 0.7rem;
	}
	.cell {
		display: grid;
		grid-template-columns: minmax(4.1rem, 1fr) 3.1rem 4.9rem;
		gap: 0.25rem;
		align-items: center;
		font-size: 0.92rem;
		white-space: nowrap;
	}
	.app {
		grid-column: 1 / -1;
		display: flex;
		justify-content: space-between;
		align-items: center;
		color: var(--felt);
		font-variant-numeric: tabular-nums;
		line-height: 1.1;
	}
	.app button {
		min-width: 32px;
		min-height: 32px;
		display: grid;
		place-items: center;
		cursor: pointer;
		color: var(--soft);
	}
	.marked label {
		color: var(--warn);
		font-weight: 700;
	}
	.marked label::after {
		content: ' !';
	}
	input,
	select {
		min-height: 44px;
		padding-inline: 0.35rem;
		background: var(--sheet);
		font-size: 0.92rem;
	}
	input {
		text-align: right;
	}
	.marked input {
		border-color: var(--warn);
		border-width: 2px;
	}
</style>
