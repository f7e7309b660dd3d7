<script lang="ts">
	import type { Ear, Edge, SimulatedErrors } from '@fendrel/core';
	import type { RankedPlan } from '$lib/workers/bearing';
	import { SCHOOL_NAMES } from '$lib/tuning/bearingWords';
	import { pairName } from '$lib/ui/beats';
	import { decimal, fixed } from '$lib/ui/format';

	interface Props {
		/** undefined while it is being worked out. */
		ranking: readonly RankedPlan[] | undefined;
		ear: Ear;
		progress: number | undefined;
		failed: string | undefined;
		chosen: string;
		errors: SimulatedErrors | undefined;
		closing: Edge | undefined;
		onchoose: (school: string) => void;
	}
	let { ranking, ear, progress, failed, chosen, errors, closing, onchoose }: Props = $props();
	const figure = (value: number | undefined) => (value === undefined ? 'nothing left over' : fixed(value, 2));
</script>

<section>
	<h2 class="panel-heading">
		Which plan closes best here? <span
			>cents, by an ear that counts to {decimal(String(Number(ear.floor.toFixed(2))))} per second or {Math.round(
				100 * ear.share
			)} %, with a bias of {ear.bias}</span
		>
	</h2>
	{#if errors}
		<p class="verdict" data-testid="expected">
			This plan leaves {fixed(errors.overall, 2)} cents on a note{#if closing && errors.closing !== undefined}, and {fixed(
					errors.closing,
					2
				)} on {pairName(closing)}, its closing {closing.kind.name}{/if}.
		</p>
	{/if}
	{#if failed}<p class="problem" role="alert">{failed}</p>{/if}
	{#if progress !== undefined}
		<p class="soft" role="status">
			Simulating … <progress max="1" value={progress}></progress>
		</p>
	{/if}
	{#if ranking}
		<table class="rule-table">
			<thead>
				<tr><th>Plan</th><th class="figure">closing error</th><th class="figure">error of a note</th></tr>
			</thead>
			<tbody>
				{#each ranking as { school, overall, closing: left } (school)}
					<tr class:chosen={school === chosen}>
						<td><button type="button" onclick={() => onchoose(school)}>{SCHOOL_NAMES[school]}</button></td>
						<td class="figure">{figure(left)}</td>
						<td class="figure">{fixed(overall, 2)}</td>
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
</section>

<style>
	section {
		border-top: 1px solid var(--line);
		margin-top: 1rem;
		padding-top: 0.75rem;
		display: grid;
		gap: 0.5rem;
	}
	.verdict {
		font-size: 1.3rem;
	}
	table {
		max-width: 46rem;
	}
	td {
		padding-block: 0.1rem;
	}
	button {
		min-height: 44px;
		color: var(--felt);
		text-decoration: underline;
		cursor: pointer;
	}
	.chosen td {
		background: var(--felt-wash);
	}
	progress {
		accent-color: var(--felt);
		vertical-align: middle;
	}
	@media print {
		table,
		progress {
			display: none;
		}
	}
</style>
