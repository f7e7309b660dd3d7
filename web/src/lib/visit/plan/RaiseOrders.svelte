<script lang="ts">
	import { DOUBT, mutingPlan, RAISE_ORDERS, UNISONS, type Unisons } from '@fendrel/core';
	import NoteRuns from '$lib/settings/NoteRuns.svelte';
	import type { RaiseChoice } from '$lib/settings/settings';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { costOf, type Judgement } from './judgement';
	import { fixed } from '$lib/ui/format';

	interface Props {
		open: KeyboardVisit;
		judgement: Judgement;
		raise: RaiseChoice;
		onraise: (raise: RaiseChoice) => void;
	}
	let { open, judgement, raise, onraise }: Props = $props();
	const NAMES: Record<Unisons, string> = {
		together: 'The strings of a note together',
		stripFirst: 'With the strip in, unisons afterwards'
	};
	const isOwn = $derived(raise.order === 'own');
	/** An order of one's own costs what it costs once it is named. */
	const orders = $derived(
		RAISE_ORDERS.map(({ id, name }) => ({
			...{ id, name },
			cost: id === 'own' && !raise.own?.length ? undefined : costOf(open, judgement, { ...raise, order: id })
		}))
	);
	const hasStrip = $derived(
		mutingPlan(open.instrument.stringing, open.instrument.highest).mutes.some(({ kind }) => kind === 'strip')
	);
	const ways = $derived(
		(hasStrip ? UNISONS : []).map((id) => ({ id, cost: costOf(open, judgement, { ...raise, unisons: id }) }))
	);
</script>

<h2>
	<b>What does each order cost?</b>
	<span>left, if this piano yields {100 * DOUBT} % more than is known of it; cents</span>
</h2>
<table class="small-table">
	<thead><tr><th></th><th>set over</th><th>held</th><th>passes</th><th>left</th><th>unisons</th></tr></thead>
	<tbody>
		{#each orders as { id, name, cost } (id)}
			<tr class:chosen={id === raise.order}>
				<th
					><label
						><input
							type="radio"
							name="order"
							checked={id === raise.order}
							onchange={() => onraise({ ...raise, order: id })}
						/>
						{name}</label
					></th
				>
				<td>{cost ? fixed(cost.most, 0) : '–'}</td>
				<td>{cost?.held ?? '–'}</td>
				<td>{cost?.passes ?? '–'}</td>
				<td>{cost ? fixed(cost.left, 1) : '–'}</td>
				<td>{cost ? fixed(cost.apart, 1) : '–'}</td>
			</tr>
		{/each}
		{#each ways as { id, cost } (id)}
			<tr class:chosen={id === (raise.unisons ?? 'together')} class:first={id === 'together'}>
				<th
					><label
						><input
							type="radio"
							name="unisons"
							checked={id === (raise.unisons ?? 'together')}
							onchange={() => onraise({ ...raise, unisons: id })}
						/>
						{NAMES[id]}</label
					></th
				>
				<td>{fixed(cost.most, 0)}</td>
				<td>{cost.held}</td>
				<td>{cost.passes}</td>
				<td>{fixed(cost.left, 1)}</td>
				<td>{fixed(cost.apart, 1)}</td>
			</tr>
		{/each}
	</tbody>
</table>
{#if isOwn}<NoteRuns runs={raise.own ?? []} onchange={(own) => onraise({ ...raise, own })} />{/if}

<style>
	h2 {
		margin-top: 0.9rem;
	}
	.first {
		border-top: 2px solid var(--line);
	}
	.chosen {
		background: var(--felt-wash);
	}
	label {
		display: flex;
		gap: 0.5rem;
		align-items: center;
		min-height: 40px;
		font-family: var(--typo-base--font-family);
		color: var(--ink);
		cursor: pointer;
	}
</style>
