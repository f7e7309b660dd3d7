<script lang="ts">
	import { typedNoteName, noteName, WIRE, type NoteLoad } from '@fendrel/core';
	import {
		EMPTY_LINE,
		readLine,
		readTable,
		tableCsv,
		typedLine,
		withLines,
		type LineContext,
		type TypedLine
	} from './table';
	import { decimal, fixed, signed } from '$lib/ui/format';
	import type { StringLine } from './stringLine';
	import ScrollTable from '$lib/ui/ScrollTable.svelte';
	import { lengthUnit, typedLength } from '$lib/ui/measures';

	interface Props {
		lines: readonly StringLine[];
		loads: readonly NoteLoad[];
		context: LineContext;
		fileName: string;
		onchange: (lines: readonly StringLine[]) => void;
	}
	let { lines, loads, context, fileName, onchange }: Props = $props();
	const EXAMPLE = 'note,strings,wire,core,length,winding,strength\nA4,3,steel,0.975,404\nA0,1,steel,1.5,1910,5.4';
	let typed = $state<TypedLine>({ ...EMPTY_LINE });
	let problems = $state.raw<readonly string[]>([]);
	let said = $state('');
	let pasted = $state('');
	let firstField = $state<HTMLInputElement>();
	const raised = $derived(loads.some(({ added = 0 }) => added !== 0));
	const loadOf = $derived(new Map(loads.map((load) => [load.note, load])));

	function put() {
		const read = readLine(typed, context);
		said = '';
		problems = 'problem' in read ? [read.problem] : [];
		if ('problem' in read) return;
		onchange(withLines(lines, [read.value]));
		// The next note up is what one measures next, on the same kind of wire.
		const next = read.value.note < context.highest ? typedNoteName(read.value.note + 1) : '';
		typed = { ...EMPTY_LINE, wire: typed.wire, note: next };
		firstField?.focus();
	}
	function take(text: string) {
		const read = readTable(text, context);
		problems = 'problems' in read ? read.problems : [];
		if ('problems' in read) return;
		onchange(withLines(lines, read.lines));
		said = read.said;
		pasted = '';
	}
	async function open(file: File | undefined) {
		if (file) take(await file.text());
	}
	const csv = $derived(`data:text/csv;charset=utf-8,${encodeURIComponent(tableCsv(lines))}`);
	const sizeOf = (mm: number | null) => (mm === null ? '' : decimal(typedLength(mm)));
	const percent = (share: number | undefined) => (share === undefined ? '' : fixed(100 * share, 0));
</script>

<form
	class="line"
	onsubmit={(event) => {
		event.preventDefault();
		put();
	}}
>
	<label><span>Note</span><input class="input" bind:this={firstField} bind:value={typed.note} placeholder="A4" /></label
	>
	<label
		><span>Strings</span><input class="input" inputmode="numeric" bind:value={typed.strings} placeholder="3" /></label
	>
	<label
		><span>Wire</span><select class="select" bind:value={typed.wire}>
			{#each Object.entries(WIRE) as [name, wire] (name)}<option value={name}>{wire.name}</option>{/each}
		</select></label
	>
	<label
		><span>Wire or core, {lengthUnit()}</span><input
			class="input"
			inputmode="decimal"
			bind:value={typed.core}
			placeholder={typedLength(0.975)}
		/></label
	>
	<label
		><span>Speaking length, {lengthUnit()}</span><input
			class="input"
			inputmode="decimal"
			bind:value={typed.length}
			placeholder={typedLength(404)}
		/></label
	>
	<label
		><span>Over winding, {lengthUnit()}</span><input
			class="input"
			inputmode="decimal"
			bind:value={typed.winding}
			placeholder="plain"
		/></label
	>
	<label
		><span>Strength, MPa</span><input
			class="input"
			inputmode="decimal"
			bind:value={typed.strength}
			placeholder={typed.wire === 'steel' ? 'by size' : 'unknown'}
		/></label
	>
	<button class="btn preset-outlined-surface-300-700">Put in</button>
</form>
<details>
	<summary>Paste a table, or open a CSV file</summary>
	<div class="paste">
		<textarea
			class="textarea mono"
			rows="5"
			aria-label="Table of strings as text"
			spellcheck="false"
			bind:value={pasted}
			placeholder={EXAMPLE}></textarea>
		<div class="row">
			<button
				type="button"
				class="btn preset-outlined-surface-300-700"
				disabled={pasted.trim() === ''}
				onclick={() => take(pasted)}>Read the text</button
			>
			<label
				>or a file <input
					type="file"
					accept=".csv,.txt,text/csv,text/plain"
					onchange={(event) => open(event.currentTarget.files?.[0])}
				/></label
			>
		</div>
		<p class="soft">A line for a note that is already in the table replaces it. Sizes are in millimetres.</p>
	</div>
</details>
{#if problems.length}
	<div class="notice" role="alert">
		<p>Nothing was changed.</p>
		<ul>
			{#each problems.slice(0, 8) as problem (problem)}<li>{problem}</li>{/each}
			{#if problems.length > 8}<li>and {problems.length - 8} more</li>{/if}
		</ul>
	</div>
{:else if said}<p class="soft" role="status">{said} Keep the table below.</p>{/if}

{#if lines.length}
	<ScrollTable tall="22rem" label="Table of strings">
		<table class="figure-table">
			<thead>
				<tr>
					<th>Note</th>
					<th>Wire</th>
					<th class="figure">Strings</th>
					<th class="figure">Core, {lengthUnit()}</th>
					<th class="figure">Length, {lengthUnit()}</th>
					<th class="figure">Winding, {lengthUnit()}</th>
					<th class="figure">Tension, N</th>
					{#if raised}<th class="figure">raise adds, N</th>{/if}
					<th class="figure">of breaking, %</th>
					<th>change it</th>
				</tr>
			</thead>
			<tbody>
				{#each lines as line (line.note)}
					{@const load = loadOf.get(line.note)}
					<tr>
						<th scope="row">{noteName(line.note)}</th>
						<td class="words">{WIRE[line.material].name}</td>
						<td>{line.strings}</td>
						<td>{sizeOf(line.core) || '–'}</td>
						<td>{sizeOf(line.length) || '–'}</td>
						<td>{sizeOf(line.outer)}</td>
						<td>{load?.tension === undefined ? 'unknown' : fixed(load.tension, 0)}</td>
						{#if raised}<td>{load?.added === undefined ? '' : signed(load.added, 0)}</td>{/if}
						<td class:problem={load?.isNearBreaking}>{percent(load?.breakingShare) || 'unknown'}</td>
						<td class="does">
							<button
								type="button"
								aria-label="Change {noteName(line.note)}"
								onclick={() => {
									typed = { ...typedLine(line) };
									firstField?.focus();
								}}>Change</button
							>
							<button
								type="button"
								aria-label="Take out {noteName(line.note)}"
								onclick={() => onchange(lines.filter(({ note }) => note !== line.note))}>Take out</button
							>
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</ScrollTable>
	<a class="csv" href={csv} download="{fileName}.csv">Download as CSV</a>
{/if}

<style>
	.line {
		display: grid;
		grid-template-columns: 4.5rem 4.5rem minmax(7rem, 1fr) repeat(4, minmax(6.5rem, 1fr)) auto;
		gap: 0.5rem;
		align-items: end;
	}
	label {
		display: grid;
		gap: 0.2rem;
		font-size: 0.85rem;
	}
	.line label span {
		color: var(--soft);
		line-height: 1.2;
	}
	summary {
		cursor: pointer;
		min-height: 44px;
		display: list-item;
		padding-top: 0.6rem;
	}
	.paste {
		display: grid;
		gap: 0.5rem;
		font-size: 0.9rem;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
	}
	.row label {
		display: inline-flex;
		gap: 0.5rem;
		align-items: center;
	}
	thead {
		position: sticky;
		top: 0;
		background: var(--ground);
	}
	.figure-table .words {
		padding-left: 0;
		text-align: left;
		font-family: inherit;
	}
	.line .input {
		min-height: 44px;
		background: var(--sheet);
	}
	.figure-table .does {
		font-family: inherit;
	}
	.does button {
		min-height: 32px;
		padding: 0 0.4rem;
		cursor: pointer;
		font-family: inherit;
		text-decoration: underline;
		text-decoration-color: var(--faint);
	}
	.csv {
		color: var(--felt);
		text-decoration: underline;
		font-size: 0.9rem;
	}
	@media (max-width: 900px) {
		.line {
			grid-template-columns: repeat(2, minmax(0, 1fr));
		}
	}
</style>
