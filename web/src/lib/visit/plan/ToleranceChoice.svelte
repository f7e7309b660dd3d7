<script lang="ts">
	import { TOLERANCES } from '@fendrel/core';
	import type { OpenVisit } from '../openVisit.svelte';
	import PresetField from './PresetField.svelte';

	interface Props {
		open: OpenVisit;
		/** What it means here. */
		hint: string;
	}
	let { open, hint }: Props = $props();
	const tolerance = $derived(open.visit.tolerance);
</script>

<PresetField
	legend="Tolerance"
	{hint}
	values={TOLERANCES}
	chosen={tolerance}
	onchoose={(each) => each !== tolerance && open.replan({ tolerance: each })}
/>
