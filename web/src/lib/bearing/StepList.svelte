<script lang="ts">
	import { noteName, type BearingStep } from '@fendrel/core';
	import { inFiveSeconds } from '$lib/ui/beats';
	import { comparisonWords, shortRate, wayTo } from '$lib/tuning/bearingWords';
	import { pairName } from '$lib/ui/beats';
	import { fixed } from '$lib/ui/format';

	interface Props {
		steps: readonly BearingStep[];
		current: number;
		/** Simulated error by step, cents; undefined while it is being worked out. */
		errors: readonly number[] | undefined;
		onchoose: (place: number) => void;
	}
	let { steps, current, errors, onchoose }: Props = $props();
	const most = $derived(Math.max(1, ...(errors ?? [])));
</script>

<table class="rule-table">
	<thead>
		<tr>
			<th>step</th>
			<th>Set</th>
			<th>how</th>
			<th>beats per second</th>
			<th class="figure five">in 5 s</th>
			<th class="checks">check</th>
			<th class="error">± cents</th>
		</tr>
	</thead>
	<tbody>
		{#each steps as step, i (step.note)}
			<tr class:current={i === current} aria-current={i === current ? 'step' : undefined}>
				<td class="soft">{i + 1}</td>
				<td><button type="button" onclick={() => onchoose(i)}>{noteName(step.note)}</button></td>
				<td>{wayTo(step)}</td>
				<td class="mono">{step.by.map(({ edge }) => shortRate(edge.rate)).join(', ')}</td>
				<td class="figure five">{step.by.length ? inFiveSeconds(step.by[0].edge.rate) : ''}</td>
				<td class="checks"
					>{#each step.checks.slice(0, 2) as check (pairName(check.edge))}<span
							>{pairName(check.edge)}
							{shortRate(check.edge.rate)}<i>{check.compare ? `, ${comparisonWords(check)}` : ''}</i></span
						>{/each}</td
				>
				<td class="error"
					>{#if errors}<span style="width: {(46 * errors[i]) / most}px"></span><b>{fixed(errors[i], 2)}</b>{/if}</td
				>
			</tr>
		{/each}
	</tbody>
</table>

<style>
	td,
	th {
		padding-block: 0.2rem;
	}
	td {
		font-size: 0.95rem;
	}
	button {
		font-weight: 700;
		min-height: 40px;
		min-width: 44px;
		text-align: left;
		cursor: pointer;
		color: var(--felt);
	}
	.current td {
		background: var(--felt-wash);
	}
	.mono {
		font-size: 0.9rem;
	}
	.checks {
		display: none;
	}
	.error {
		text-align: right;
		white-space: nowrap;
	}
	.error span {
		display: inline-block;
		height: 0.55rem;
		background: var(--felt);
		margin-right: 0.4rem;
	}
	.error b {
		font-family: var(--mono);
		font-weight: 500;
		font-size: 0.9rem;
	}
	@media (max-width: 700px) {
		.five {
			display: none;
		}
	}
	@media print {
		button {
			min-height: 0;
			color: inherit;
		}
		.current td {
			background: none;
		}
		.checks {
			display: table-cell;
			font-size: 0.8rem;
		}
		.checks span {
			display: block;
		}
		.checks i {
			font-style: normal;
		}
		tr {
			break-inside: avoid;
		}
	}
</style>
