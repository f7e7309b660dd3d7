<script lang="ts">
	import { partsOf } from '@fendrel/core';
	import { signed } from '$lib/ui/format';
	import Attached from '../arrive/Attached.svelte';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import type { Account } from './account';
	import { accountLines } from './accountWords';

	interface Props {
		open: KeyboardVisit;
		account: Account;
	}
	let { open, account }: Props = $props();
	const attached = $derived([...open.record.report.arrival.attachments.values()]);
	const parts = $derived(partsOf(open.instrument.kind));
	const nameOf = (id: string) => parts.find((part) => part.id === id)?.name ?? id;
	const figure = (cents: number | undefined) => (cents === undefined ? '–' : signed(cents));
</script>

<table class="figure-table" aria-label="Pitch by section">
	<thead
		><tr
			><th>Cents from plan</th>{#each account.sections as { id } (id)}<th>{id}</th>{/each}</tr
		></thead
	>
	<tbody>
		<tr
			><th>found</th>{#each account.sections as { id, found } (id)}<td>{figure(found)}</td>{/each}</tr
		>
		<tr
			><th>left</th>{#each account.sections as { id, left } (id)}<td>{figure(left)}</td>{/each}</tr
		>
	</tbody>
</table>
<dl>
	{#each accountLines(open, account) as [term, text] (term)}
		<dt>{term}</dt>
		<dd>{text}</dd>
	{/each}
</dl>
{#if attached.length}
	<h2 class="panel-heading">Photos and sounds</h2>
	<div class="photos">
		{#each attached as each (each.attachment)}
			<Attached visitId={open.visit.id} attachment={each} name={nameOf(each.part)} />
		{/each}
	</div>
{/if}

<style>
	dl {
		display: grid;
		grid-template-columns: 7rem minmax(0, 1fr);
		margin: 0.75rem 0;
		line-height: 1.35;
	}
	dt,
	dd {
		padding: 0.35rem 0;
		border-bottom: 1px solid var(--line);
		overflow-wrap: anywhere;
	}
	dt {
		color: var(--soft);
	}
	th:not(:first-child) {
		text-align: right;
		padding-inline: 0.5rem 0;
	}
	.photos {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
</style>
