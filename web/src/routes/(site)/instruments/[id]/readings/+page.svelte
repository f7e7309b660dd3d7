<script lang="ts">
	import { asSounderId, groupOf, isKeyboardKind, isSounderId, memberOf, noteName } from '@fendrel/core';
	import { enhance } from '$app/forms';
	import { page } from '$app/state';
	import { familyOfKind } from '$lib/tuning/kinds';
	import { mayDo } from '$lib/workshop/roles';
	import { capital, inHz, listed, onDay, onTime, signed } from '$lib/ui/format';
	import ConfirmForm from '$lib/ui/ConfirmForm.svelte';
	import Pager from '$lib/ui/Pager.svelte';

	let { data, form } = $props();
	const mayDiscard = $derived(mayDo(data.signedIn.role, 'decide'));
	const isKeyboard = $derived(isKeyboardKind(data.instrument.kind));
	/** "A4, left and middle", "Blow 5" */
	const struck = (sounders: string) => {
		const all = sounders.split(',').filter(isSounderId).map(asSounderId);
		if (all.length === 0) return sounders;
		const group = groupOf(all[0]);
		return !isKeyboard
			? familyOfKind(data.instrument.kind).groupName(group)
			: `${noteName(group)}, ${listed(all.map(memberOf))}`;
	};
	const at = (after: number) =>
		`?visit=${data.visit.id}${data.note ? `&note=${encodeURIComponent(data.note)}` : ''}${after ? `&after=${after}` : ''}`;
	const action = (name: string) => `?/${name}&${page.url.searchParams}`;
</script>

<svelte:head><title>Readings: {data.instrument.name} | Fendrel</title></svelte:head>

<p><a class="up" href="/instruments/{data.instrument.id}">{data.instrument.name}</a></p>
<div class="top">
	<h1>Readings of the visit of {onDay(data.visit.startedAt)}</h1>
	{#if mayDiscard}
		<ConfirmForm
			label="Delete this visit"
			title="Delete the visit of {onDay(data.visit.startedAt)}?"
			text="All that was read, set and noted in it is gone from view, and the pitch record does without it. Under Deleted it can be brought back for 30 days."
			does="Delete the visit"
			action="/instruments/{data.instrument.id}?/deleteVisit"
			fields={{ visit: data.visit.id }}
		/>
	{/if}
</div>
{#if isKeyboard}<form class="find" method="GET">
		<input type="hidden" name="visit" value={data.visit.id} />
		<label class="field"
			><span>Note</span><input class="input" name="note" value={data.note} placeholder="all, or A4" /></label
		>
		<button class="btn preset-outlined-surface-300-700">Find</button>
	</form>{/if}
{#if form && 'problem' in form}<p class="notice mt-4" role="alert">{form.problem}</p>{/if}
{#if form && 'done' in form}<p class="mt-4" role="status">{form.done}</p>{/if}
{#if data.readings.length}
	<table class="rule-table">
		<thead>
			<tr>
				<th>When</th><th>{isKeyboard ? 'Struck' : capital(familyOfKind(data.instrument.kind).group.one)}</th><th
					class="figure">Pitch, Hz</th
				><th class="figure">From what was due, cents</th><th>By</th><th></th>
			</tr>
		</thead>
		<tbody>
			{#each data.readings as reading (reading.id)}
				<tr class:gone={reading.discardedBy}>
					<td class="soft">{onTime(reading.placedAt)}</td>
					<th scope="row">{struck(reading.sounders)}</th>
					<td class="figure">{reading.pitch === null ? '–' : inHz(reading.pitch, 2)}</td>
					<td class="figure">{reading.deviation === null ? '–' : signed(reading.deviation, 1)}</td>
					<td class="soft">{reading.source}</td>
					<td class="does">
						{#if mayDiscard}
							{#if reading.discardedBy}
								<form method="POST" action={action('bringBack')} use:enhance>
									<input type="hidden" name="id" value={reading.discardedBy} />
									<button class="btn preset-outlined-surface-300-700" aria-label="Bring back {struck(reading.sounders)}"
										>Bring back</button
									>
								</form>
							{:else}
								<form method="POST" action={action('discard')} use:enhance>
									<input type="hidden" name="id" value={reading.id} />
									<button class="btn preset-outlined-surface-300-700" aria-label="Discard {struck(reading.sounders)}"
										>Discard</button
									>
								</form>
							{/if}
						{:else if reading.discardedBy}discarded{/if}
					</td>
				</tr>
			{/each}
		</tbody>
	</table>
{:else}
	<p class="soft mt-4">
		{data.note ? `No reading of “${data.note}” in this visit.` : 'Nothing was read in this visit.'}
	</p>
{/if}
<Pager
	next={data.next === undefined ? undefined : at(data.next)}
	first={data.isFirst ? undefined : at(0)}
	of="readings"
/>

<style>
	.top {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 1rem;
	}
	.find {
		display: flex;
		gap: 0.75rem;
		align-items: flex-end;
		margin: 1.25rem 0;
	}
	.find .field {
		width: 9rem;
	}
	.gone th,
	.gone .figure {
		text-decoration: line-through;
		color: var(--soft);
	}
	.does {
		text-align: right;
	}
</style>
