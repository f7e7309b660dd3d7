<script lang="ts">
	import { EXAMINED } from '@fendrel/core';
	import { BAND_COLUMNS, type Draft } from './draft';
	import FiguresTable from './FiguresTable.svelte';
	import type { SettingLines } from './lines';
	import { EXAMINED_NAMES } from './examinedNames';

	let { draft, lines }: { draft: Draft; lines: SettingLines } = $props();
	const ROWS = EXAMINED.map((id) => ({ id, name: EXAMINED_NAMES[id] }));
</script>

<details>
	<summary><b>How strict is an examination?</b> <span class="soft">cents off the plan, by section</span></summary>
	<FiguresTable rows={ROWS} columns={BAND_COLUMNS} figures={draft.examination} path="examination" {lines} />
	<p class="soft">
		Further off than that, three points are lost. Unisons: cents from string to string. Holding: since it was set.
	</p>
</details>

<style>
	summary {
		cursor: pointer;
		min-height: 44px;
		display: flex;
		gap: 0.75rem;
		align-items: center;
	}
</style>
