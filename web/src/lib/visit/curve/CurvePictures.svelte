<script lang="ts">
	import { innerHeight } from 'svelte/reactivity/window';
	import CurveChart from '$lib/charts/CurveChart.svelte';
	import IntervalLines from '$lib/charts/IntervalLines.svelte';
	import { signed } from '$lib/ui/format';
	import { GROUPS, type Sheet } from './sheet.svelte';

	let { sheet }: { sheet: Sheet } = $props();
	const { lowest, highest } = $derived(sheet.basis);
	/** Both pictures are to stand on a tablet's screen. */
	const low = $derived((innerHeight.current ?? 800) < 790);
</script>

<section>
	<div class="heading">
		<h2><b>How far from equal?</b> <span>cents, temperament aside</span></h2>
		<label class="soft"
			>beside <select class="select fit" aria-label="Compare with" bind:value={sheet.besideId}>
				{#each sheet.besides as { id, name } (id)}<option value={id}>{name}</option>{/each}
			</select></label
		>
	</div>
	<CurveChart
		data={{
			lowest,
			highest,
			drawn: sheet.drawn,
			errors: sheet.errors,
			beside: sheet.beside.deviations,
			standing: sheet.standing.map(({ note, cents }) => ({ note, cents: cents + sheet.standingShift })),
			held: sheet.held
		}}
		besideName={sheet.beside.name}
		selected={sheet.selected}
		height={low ? 185 : 225}
		onselect={(note) => (sheet.selected = note)}
		onnudge={(by) => sheet.hold(sheet.at + by)}
	/>
	<p class="key-line soft">
		shaded: what the strings leave open{#if sheet.beside.deviations}; dashed: {sheet.beside
				.name}{/if}{#if sheet.standing.length}; rings: {sheet.stands}, moved by {signed(
				sheet.standingShift
			)}{/if}{#if sheet.held.length}; squares: set by ear{/if}
	</p>
	<div class="heading">
		<h2><b>What gives way?</b> <span>beats per second, + wide</span></h2>
		<div class="groups" role="group" aria-label="Which intervals">
			{#each GROUPS as each (each.name)}
				<button type="button" aria-pressed={sheet.group === each} onclick={() => (sheet.group = each)}
					>{each.name}</button
				>
			{/each}
		</div>
	</div>
	<IntervalLines runs={sheet.shown} {lowest} {highest} selected={sheet.selected} height={low ? 160 : 190} />
</section>

<style>
	section {
		padding: 0.9rem 1.25rem 0.5rem;
		min-width: 0;
		overflow: auto;
		display: flex;
		flex-direction: column;
	}
	.heading {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		justify-content: space-between;
		gap: 0.25rem 1rem;
	}
	h2 {
		font-family: inherit;
		font-size: 1rem;
	}
	h2 span {
		color: var(--soft);
		font-weight: 400;
	}
	label {
		display: inline-flex;
		align-items: center;
		gap: 0.5rem;
	}
	.key-line {
		font-size: 0.84rem;
		margin: 0.1rem 0 0.7rem;
	}
	.groups {
		display: flex;
		border: 1px solid var(--line);
		border-radius: var(--radius-base);
		overflow: hidden;
	}
	.groups button {
		min-height: 36px;
		padding: 0 0.65rem;
		cursor: pointer;
		font-size: 0.9rem;
	}
	.groups button[aria-pressed='true'] {
		background: var(--felt-wash);
		font-weight: 700;
	}
</style>
