<script lang="ts">
	import { untrack } from 'svelte';
	import { equalHz, hz, hzAbove, cents, tableLoad } from '@fendrel/core';
	import { invalidateAll } from '$app/navigation';
	import StringingEditor from '$lib/instruments/stringing/StringingEditor.svelte';
	import Loads from '$lib/instruments/scale/Loads.svelte';
	import Stiffness from '$lib/instruments/scale/Stiffness.svelte';
	import StringTable from '$lib/instruments/scale/StringTable.svelte';
	import { tableRowOf, type StringLine } from '$lib/instruments/scale/stringLine';
	import { sorted } from '$lib/instruments/scale/table';
	import { scaleVerdict } from '$lib/instruments/scale/scaleWords';
	import { sent } from '$lib/device/send';
	import { stringsOfInstrument } from '$lib/tuning/strings';
	import { counted, onShortDay } from '$lib/ui/format';
	import { format } from 'date-fns';

	let { data } = $props();
	const { lowest, highest, kind, usualA4 } = $derived(data.instrument);
	const { inharmonicity } = $derived(stringsOfInstrument({ kind, measured: data.known }));

	let lines = $state.raw<readonly StringLine[]>(untrack(() => sorted(data.tables[0]?.strings ?? [])));
	let raise = $state(untrack(() => data.low));
	const stringsAt = $derived(new Map(data.stringsAt.map((count, i) => [lowest + i, count])));
	const load = $derived(
		tableLoad(lines.map(tableRowOf), (note) => hzAbove(equalHz(note, hz(usualA4)), cents(-raise)), raise, stringsAt)
	);
	const asKept = $derived(JSON.stringify(lines) === JSON.stringify(sorted(data.tables[0]?.strings ?? [])));

	let saving = $state(false);
	let problem = $state<string | undefined>();
	async function keep(strings: readonly StringLine[]) {
		saving = true;
		problem = await sent('POST', `/api/instruments/${data.instrument.id}/strings`, { strings });
		if (!problem) {
			await invalidateAll();
			lines = sorted(data.tables[0].strings);
		}
		saving = false;
	}
	/** What was put in and not yet kept outlives a reload and the way back. */
	export const snapshot = {
		capture: () => ({ id: data.instrument.id, lines: [...lines] }),
		restore: (kept: { id: string; lines: StringLine[] }) => {
			if (kept.id === data.instrument.id) lines = kept.lines;
		}
	};
</script>

<svelte:head><title>Scale: {data.instrument.name} | Fendrel</title></svelte:head>

<p><a class="up" href="/instruments/{data.instrument.id}">{data.instrument.name}</a></p>
<h1>Scale</h1>
<p class="verdict state">{scaleVerdict(inharmonicity, data.known)}</p>

<Stiffness instrument={data.instrument} known={data.known} />

<StringingEditor
	instrument={data.instrument}
	stated={data.stated}
	isStated={data.isStated}
	table={data.tables[0]?.strings ?? []}
/>

<Loads {load} {lowest} {highest} a4={usualA4} bind:raise />

<section class="strings">
	<h2 class="asks"><b>Table of strings</b> <span>one line a note; leave blank what has not been measured</span></h2>
	<StringTable
		{lines}
		loads={load.notes}
		context={{ lowest, highest, a4: usualA4, stringsAt }}
		fileName="strings"
		onchange={(changed) => (lines = changed)}
	/>
	{#if problem}<p class="notice" role="alert">{problem}</p>{/if}
	<div class="row">
		<button type="button" class="btn preset-filled-brand" disabled={saving || asKept} onclick={() => keep(lines)}
			>{asKept && lines.length ? 'The table is kept' : 'Keep this table'}</button
		>
		{#if !asKept}
			<button
				type="button"
				class="btn preset-outlined-surface-300-700"
				onclick={() => (lines = sorted(data.tables[0]?.strings ?? []))}>As it was kept</button
			>
		{/if}
	</div>
	{#if data.tables.length > 1}
		<details>
			<summary>Earlier tables ({data.tables.length - 1})</summary>
			<ul class="versions">
				{#each data.tables.slice(1) as table (table.id)}
					<li>
						{onShortDay(table.savedAt)}, {format(table.savedAt, 'HH:mm')}: {counted(table.strings.length, 'note')}
						<button type="button" onclick={() => (lines = sorted(table.strings))}>Open</button>
					</li>
				{/each}
			</ul>
		</details>
	{/if}
</section>

<style>
	.up {
		color: var(--felt);
		text-decoration: underline;
	}
	.state {
		font-size: 1.35rem;
		color: var(--soft);
		margin: 0.3rem 0 1.2rem;
	}
	.strings {
		margin-top: 2rem;
		padding-top: 1.2rem;
		border-top: 1px solid var(--line);
	}
	.strings {
		display: grid;
		gap: 0.6rem;
	}
	.row {
		display: flex;
		gap: 0.6rem;
	}
	summary {
		cursor: pointer;
		min-height: 44px;
		padding-top: 0.6rem;
	}
	.versions button {
		min-height: 36px;
		padding: 0 0.5rem;
		color: var(--felt);
		text-decoration: underline;
		cursor: pointer;
	}
</style>
