<script lang="ts" generics="Row extends string, Column extends string">
	import type { SettingLines } from './lines';

	interface Named<Id> {
		readonly id: Id;
		readonly name: string;
	}
	interface Props {
		rows: readonly Named<Row>[];
		columns: readonly Named<Column>[];
		/** What is typed, by row and column. */
		figures: Record<Row, Record<Column, string>>;
		/** Where they stand among the settings. */
		path: string;
		lines: SettingLines;
	}
	let { rows, columns, figures, path, lines }: Props = $props();
</script>

<div class="scroll">
	<table>
		<thead>
			<tr
				><th class="of"></th>{#each columns as { id, name } (id)}<th scope="col">{name}</th>{/each}</tr
			>
		</thead>
		<tbody>
			{#each rows as row (row.id)}
				<tr>
					<th scope="row">{row.name}</th>
					{#each columns as { id, name } (id)}
						<td
							><input
								class="input mono"
								class:differs={lines.differs(`${path}.${row.id}.${id}`)}
								data-setting="{path}.{row.id}.{id}"
								inputmode="decimal"
								aria-label="{row.name}: {name}"
								bind:value={figures[row.id][id]}
							/></td
						>
					{/each}
				</tr>
			{/each}
		</tbody>
	</table>
</div>

<style>
	.scroll {
		overflow-x: auto;
	}
	table {
		border-collapse: collapse;
		width: 100%;
		min-width: 44rem;
		table-layout: fixed;
	}
	th {
		font-weight: 400;
		text-align: left;
	}
	thead th {
		font-size: 0.85rem;
		color: var(--soft);
		line-height: 1.2;
		vertical-align: bottom;
		padding-bottom: 0.25rem;
	}
	.of {
		width: 12rem;
	}
	tbody th {
		white-space: nowrap;
	}
	td {
		padding: 0.15rem 0;
		text-align: right;
	}
	thead th {
		text-align: right;
		padding-left: 1.5rem;
	}
	.input {
		display: block;
		margin-left: auto;
		width: 5.5rem;
		min-height: 44px;
		text-align: right;
	}
</style>
