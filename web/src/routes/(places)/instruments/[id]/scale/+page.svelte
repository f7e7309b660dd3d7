<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { equalHz, hz, hzAbove, cents, tableLoad } from '@fendrel/core';
	import { invalidateAll } from '$app/navigation';
	import InharmonicityChart from '$lib/charts/InharmonicityChart.svelte';
	import StringLoads from '$lib/charts/StringLoads.svelte';
	import StringingEditor from '$lib/instruments/stringing/StringingEditor.svelte';
	import StringTable from '$lib/instruments/scale/StringTable.svelte';
	import { inharmonicityPicture } from '$lib/instruments/scale/picture';
	import { tableRowOf, type StringLine } from '$lib/instruments/scale/schema';
	import { sorted } from '$lib/instruments/scale/table';
	import { basisWords, faultWords, loadWords, scaleVerdict, warningWords } from '$lib/instruments/scale/words';
	import { sent } from '$lib/device/send';
	import { KIND_NAMES } from '$lib/tuning/kinds';
	import { typedNumber } from '$lib/ui/typed';
	import { stringsOfInstrument } from '$lib/tuning/strings';
	import { counted, inHz, onShortDay } from '$lib/ui/format';
	import { format } from 'date-fns';

	let { data } = $props();
	const { lowest, highest, kind, usualA4 } = $derived(data.instrument);
	const { inharmonicity } = $derived(stringsOfInstrument({ kind, measured: data.known }));
	const faults = $derived(faultWords(inharmonicity));

	let lines = $state.raw<readonly StringLine[]>(untrack(() => sorted(data.tables[0]?.strings ?? [])));
	let raise = $state(untrack(() => data.low));
	let raiseText = $state(untrack(() => String(data.low)));
	let raiseProblem = $state<string | undefined>();
	const stringsAt = $derived(new Map(data.stringsAt.map((count, i) => [lowest + i, count])));
	const load = $derived(
		tableLoad(lines.map(tableRowOf), (note) => hzAbove(equalHz(note, hz(usualA4)), cents(-raise)), raise, stringsAt)
	);
	const warnings = $derived(warningWords(load.warnings));
	const asKept = $derived(JSON.stringify(lines) === JSON.stringify(sorted(data.tables[0]?.strings ?? [])));

	const MOST_RAISE = 300;
	function typeRaise() {
		const value = typedNumber(raiseText);
		if (!(Math.abs(value) <= MOST_RAISE))
			raiseProblem = `Write cents from −${MOST_RAISE} to ${MOST_RAISE}; it stays at ${raise}.`;
		else {
			raiseProblem = undefined;
			raise = value;
		}
	}

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
	let alive = $state(false);
	onMount(() => {
		alive = true;
	});
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

<div class="stiff">
	<section>
		<h2 class="asks">
			<b>How stiff are its strings?</b> <span>inharmonicity B by note; equal steps up are equal ratios</span>
		</h2>
		<InharmonicityChart data={inharmonicityPicture(data.instrument, data.known)} />
		<p class="soft small">
			{basisWords(data.known, KIND_NAMES[kind].toLowerCase())} Dots: read; crosses: from wire and length; line: the scale
			as a whole; shaded: what is used where nothing was read, nineteen times in twenty.
		</p>
	</section>
	<section class="faults" aria-label="Faults of the scale">
		<h2 class="panel-heading">To look at</h2>
		{#if faults.length}
			<ul>
				{#each faults as fault (fault)}<li>{fault}</li>{/each}
			</ul>
		{:else}
			<p class="soft">
				{data.known.length
					? 'Every string read goes with its neighbours.'
					: 'Strings are read in Set: one string of each note, struck alone.'}
			</p>
		{/if}
		<p class="soft small">
			Scatter about the line {Math.round(100 * inharmonicity.scatter)} %. Tuning curves use what was read; where nothing was,
			the line.
		</p>
	</section>
</div>

<StringingEditor
	instrument={data.instrument}
	stated={data.stated}
	isStated={data.isStated}
	table={data.tables[0]?.strings ?? []}
/>

<section class="loads">
	<div class="head">
		<h2 class="asks"><b>What do they bear?</b> <span>at A4 = {inHz(usualA4)} Hz, equal</span></h2>
		<label class="soft"
			>it lies <input
				class="input mono"
				inputmode="decimal"
				aria-label="Cents below its usual pitch"
				aria-invalid={!!raiseProblem}
				bind:value={raiseText}
				onchange={typeRaise}
			/> cents below that now</label
		>
	</div>
	{#if raiseProblem}<p class="problem" role="alert">{raiseProblem}</p>{/if}
	{#if load.known}
		<div class="stiff">
			<div>
				<StringLoads {load} {lowest} {highest} />
				<p class="soft small">{loadWords(load, raise)} Dashed: 75 %, above which modern wire is near breaking.</p>
			</div>
			<section class="faults" aria-label="Cautions">
				<h2 class="panel-heading">Take care</h2>
				{#if warnings.length}
					<ul>
						{#each warnings.slice(0, 7) as warning (warning)}<li>{warning}</li>{/each}
						{#if warnings.length > 7}<li class="soft">and {counted(warnings.length - 7, 'more', 'more')}</li>{/if}
					</ul>
				{:else}<p class="soft">No string known is near breaking.</p>{/if}
				<p class="soft small">
					The strength is that of new music wire: rust, kinks and age take from it. Iron, brass and gut need a figure of
					their own.
				</p>
			</section>
		</div>
	{:else}
		<p class="soft">Put in wire and speaking length of some notes, and their tension and strength follow.</p>
	{/if}
</section>

<section class="strings">
	<h2 class="asks"><b>Table of strings</b> <span>one line a note; leave empty what nobody has measured</span></h2>
	<StringTable
		{lines}
		loads={load.notes}
		context={{ lowest, highest, a4: usualA4, stringsAt }}
		fileName="strings"
		disabled={!alive}
		onchange={(changed) => (lines = changed)}
	/>
	{#if problem}<p class="notice" role="alert">{problem}</p>{/if}
	<div class="row">
		<button
			type="button"
			class="btn preset-filled-brand"
			disabled={!alive || saving || asKept}
			onclick={() => keep(lines)}>{asKept && lines.length ? 'The table is kept' : 'Keep this table'}</button
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
	.stiff {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 17.5rem;
		gap: 2rem;
	}
	.small {
		font-size: 0.87rem;
		line-height: 1.4;
	}
	.faults {
		display: grid;
		gap: 0.5rem;
		align-content: start;
	}
	.faults li {
		padding: 0.45rem 0;
		border-top: 1px solid var(--line);
		line-height: 1.35;
	}
	.loads,
	.strings {
		margin-top: 2rem;
		padding-top: 1.2rem;
		border-top: 1px solid var(--line);
	}
	.strings {
		display: grid;
		gap: 0.6rem;
	}
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1.5rem;
		align-items: center;
		justify-content: space-between;
		margin-bottom: 0.5rem;
	}
	.head label {
		display: inline-flex;
		align-items: center;
		gap: 0.5rem;
	}
	.head input {
		width: 4.6rem;
		min-height: 44px;
		text-align: right;
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
	@media (max-width: 900px) {
		.stiff {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
