<script lang="ts">
	import { send, sent } from '$lib/device/send';
	import { readCsv } from '$lib/ui/csv';
	import { counted } from '$lib/ui/format';
	import ScrollTable from '$lib/ui/ScrollTable.svelte';
	import { KIND_NAMES } from '$lib/tuning/kinds';
	import { FIELDS, guessColumns, readLines, type Columns, type FieldId } from './columns';

	interface Props {
		/** Names that are there already. */
		taken: readonly string[];
		places: readonly { readonly name: string; readonly town: string }[];
		onchange: () => Promise<void>;
	}
	let { taken, places, onchange }: Props = $props();
	/** Lines of a file, and bytes. */
	const MOST = { most: 501, bytes: 1_000_000 } as const;
	let rows = $state.raw<readonly (readonly string[])[]>([]);
	let columns = $state<Columns>({});
	let problem = $state<string>();
	let added = $state.raw<readonly string[]>([]);
	let busy = $state(false);
	const heading = $derived(rows[0] ?? []);
	const towns = $derived(new Map(places.map(({ name, town }) => [name, town])));
	const lines = $derived(rows.length ? readLines(rows.slice(1), columns, taken, towns) : []);
	const good = $derived(lines.flatMap(({ form }) => form ?? []));

	async function read(event: Event & { currentTarget: HTMLInputElement }) {
		const input = event.currentTarget;
		const file = input.files?.[0];
		input.value = '';
		[rows, added, problem] = [[], [], undefined];
		if (!file) return;
		const table = readCsv(await file.text(), MOST);
		if ('problem' in table) return (problem = table.problem);
		if (table.rows.length < 2) return (problem = 'The first line is taken for headings, and there is no other.');
		columns = guessColumns(table.rows[0]);
		rows = table.rows;
	}
	const choose = (id: FieldId, at: string) => (columns = { ...columns, [id]: at === '' ? undefined : Number(at) });

	async function add() {
		busy = true;
		const told = await send<{ ids: string[] }>('POST', '/api/instruments/import', { instruments: good });
		busy = false;
		problem = 'problem' in told ? told.problem : undefined;
		if ('problem' in told) return;
		added = told.value.ids;
		rows = [];
		await onchange();
	}
	async function takeBack() {
		busy = true;
		problem = await sent('DELETE', '/api/instruments/import', { ids: added });
		busy = false;
		if (problem) return;
		added = [];
		await onchange();
	}
</script>

<label class="field"
	><span>A list as CSV, its first line the headings</span>
	<input type="file" accept=".csv,text/csv,text/plain" onchange={read} /></label
>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
{#if added.length}
	<p role="status">
		{counted(added.length, 'instrument')} added.
		<button class="choice" disabled={busy} onclick={takeBack}>Take them back</button>
	</p>
{/if}
{#if rows.length}
	<h2>Which column is which?</h2>
	<div class="columns">
		{#each FIELDS as { id, name } (id)}
			<label class="field"
				><span>{name}</span>
				<select class="select" value={columns[id] ?? ''} onchange={(event) => choose(id, event.currentTarget.value)}>
					<option value="">not in the list</option>
					{#each heading as title, i (i)}<option value={i}>{title || `column ${i + 1}`}</option>{/each}
				</select></label
			>
		{/each}
	</div>
	<h2 data-testid="preview">
		{counted(good.length, 'instrument')} to add{lines.length > good.length
			? `, ${counted(lines.length - good.length, 'line')} left out`
			: ''}
	</h2>
	<ScrollTable label="What would be added">
		<table class="rule-table">
			<thead><tr><th>Line</th><th>Name</th><th>Kind</th><th>Place</th><th>Maker</th><th>Compass, A4</th></tr></thead>
			<tbody>
				{#each lines as { line, name, form, problem: why } (line)}
					<tr>
						<td class="figure">{line}</td>
						<td>{name}</td>
						{#if form}
							<td>{KIND_NAMES[form.kind]}</td>
							<td>{[form.location, form.town].filter(Boolean).join(', ')}</td>
							<td>{[form.maker, form.madeIn].filter(Boolean).join(', ')}</td>
							<td>{form.lowest} to {form.highest}, {form.usualA4} Hz</td>
						{:else}<td colspan="4" class="problem">{why}</td>{/if}
					</tr>
				{/each}
			</tbody>
		</table>
	</ScrollTable>
	<button class="btn preset-filled-brand" disabled={busy || good.length === 0} onclick={add}>Add {good.length}</button>
{/if}

<style>
	.columns {
		display: grid;
		grid-template-columns: repeat(5, minmax(0, 1fr));
		gap: 0.8rem;
	}
	h2 {
		margin-block: 1.2rem 0.5rem;
	}
	button {
		margin-top: 1rem;
	}
	@media (max-width: 860px) {
		.columns {
			grid-template-columns: repeat(2, minmax(0, 1fr));
		}
	}
</style>
