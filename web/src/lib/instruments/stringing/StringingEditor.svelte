<script lang="ts">
	import { untrack } from 'svelte';
	import {
		MOST_STRINGS,
		noteName,
		readNote,
		REGISTRATIONS,
		registrationOf,
		stringingFrom,
		type Stringing
	} from '@fendrel/core';
	import { invalidateAll } from '$app/navigation';
	import StringingChart from '$lib/charts/StringingChart.svelte';
	import { sent } from '$lib/device/send';
	import { counted } from '$lib/ui/format';
	import { tableRowOf, type StringLine } from '../scale/stringLine';
	import { parted, readRows, rowsOf, withoutRow, type SectionRow } from './sections';

	interface Props {
		instrument: { readonly id: string; readonly lowest: number; readonly highest: number };
		/** As it is but for the table of strings. */
		stated: Stringing;
		/** Somebody has said so; else its kind stands for it. */
		isStated: boolean;
		/** The kept table of strings. */
		table: readonly StringLine[];
	}
	let { instrument, stated, isStated, table }: Props = $props();
	const { lowest, highest } = $derived(instrument);
	let rows = $state.raw<readonly SectionRow[]>(untrack(() => rowsOf(stated)));
	let registers = $state(untrack(() => registrationOf(stated.choirs)?.id));
	let problem = $state<string | undefined>();
	let saving = $state(false);
	let open = $state(false);
	const choirs = $derived(REGISTRATIONS.find(({ id }) => id === registers)?.choirs ?? stated.choirs);
	const read = $derived(readRows(rows, { lowest, highest, choirs }));
	const known = $derived(new Set(table.map(({ note }) => note)));
	const shown = $derived(
		stringingFrom(
			'value' in read ? read.value : stated,
			table.map(tableRowOf).map(({ note, strings, data }) => ({ note, strings, wound: data.outer !== undefined }))
		)
	);
	const asKept = $derived('value' in read && JSON.stringify(read.value) === JSON.stringify(stated));

	const from = (at: number) => (at === 0 ? noteName(lowest) : noteName((readNote(rows[at - 1].to) ?? lowest - 1) + 1));
	function change(at: number, to: Partial<SectionRow>) {
		rows = rows.map((row, i) => (i === at ? { ...row, ...to } : row));
	}
	async function keep(stringing: Stringing | null) {
		saving = true;
		problem = await sent('PUT', `/api/instruments/${instrument.id}/stringing`, { stringing });
		if (!problem) {
			await invalidateAll();
			rows = rowsOf(stated);
			registers = registrationOf(stated.choirs)?.id;
		}
		saving = false;
	}
</script>

<section class="stringing" aria-label="Stringing">
	<h2 class="asks"><b>How is it strung?</b> <span>strings of each note; thick: wound</span></h2>
	<StringingChart stringing={shown} {known} />
	<p class="soft small">
		{isStated ? 'As you entered it' : 'Usual for this kind'}{known.size
			? `; ${counted(known.size, 'note')} as the table of strings has them (dots)`
			: ''}. The visit asks for these strings.
		<button type="button" class="anchor" aria-expanded={open} onclick={() => (open = !open)}
			>{open ? 'Leave it' : 'Change it'}</button
		>
	</p>
	{#if open}
		<ol>
			{#each rows as row, at (at)}
				<li>
					<span class="mono from">{from(at)}</span> to
					{#if at === rows.length - 1}<span class="mono end">{noteName(highest)}</span>
					{:else}
						<input
							class="input mono"
							aria-label="Section {at + 1} ends at"
							value={row.to}
							oninput={(event) => change(at, { to: event.currentTarget.value })}
						/>
					{/if}
					<select
						class="select fit"
						aria-label="Strings in section {at + 1}"
						value={row.strings}
						onchange={(event) => change(at, { strings: Number(event.currentTarget.value) })}
					>
						{#each { length: MOST_STRINGS } as _, i (i)}<option value={i + 1}>{counted(i + 1, 'string')}</option>{/each}
					</select>
					<select
						class="select fit"
						aria-label="Wire in section {at + 1}"
						value={row.wound ? 'wound' : 'plain'}
						onchange={(event) => change(at, { wound: event.currentTarget.value === 'wound' })}
					>
						<option value="plain">plain</option>
						<option value="wound">wound</option>
					</select>
					<button type="button" class="anchor" onclick={() => (rows = parted(rows, at, lowest, highest))}
						>Split it</button
					>
					{#if rows.length > 1}
						<button type="button" class="anchor" onclick={() => (rows = withoutRow(rows, at))}>Take out</button>
					{/if}
				</li>
			{/each}
		</ol>
		<label class="registers">
			<span class="soft">Registers</span>
			<select class="select fit" bind:value={registers}>
				{#each REGISTRATIONS as { id, name } (id)}<option value={id}>{name}</option>{/each}
			</select>
		</label>
		{#if 'problem' in read || problem}
			<p class="problem" role="alert">{'problem' in read ? read.problem : problem}</p>
		{/if}
		<div class="choices">
			<button
				type="button"
				class="btn preset-filled-brand"
				disabled={saving || asKept || 'problem' in read}
				onclick={() => 'value' in read && keep(read.value)}
				>{asKept ? 'This stringing is kept' : 'Keep this stringing'}</button
			>
			{#if isStated}
				<button type="button" class="btn preset-outlined-surface-300-700" disabled={saving} onclick={() => keep(null)}
					>Usual for this kind</button
				>
			{/if}
		</div>
	{/if}
</section>

<style>
	.stringing {
		margin-top: 1.4rem;
		padding-top: 1.2rem;
		border-top: 1px solid var(--line);
	}
	ol {
		margin: 0.5rem 0;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.6rem;
		padding: 0.25rem 0;
		border-top: 1px solid var(--line);
	}
	.from {
		width: 3rem;
	}
	.end,
	.input {
		width: 4.5rem;
	}
	.anchor {
		min-height: 44px;
	}
	.registers,
	.choices {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.75rem;
		margin-top: 0.6rem;
	}
	.small {
		font-size: 0.85rem;
	}
</style>
