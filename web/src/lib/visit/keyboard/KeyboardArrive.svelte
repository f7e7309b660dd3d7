<script lang="ts">
	import { centsBetween, hz } from '@fendrel/core';
	import KeyboardStrip from '$lib/charts/KeyboardStrip.svelte';
	import SectionRecord from '$lib/charts/SectionRecord.svelte';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { judge } from '../plan/judgement';
	import ArriveStage from '../arrive/ArriveStage.svelte';

	let { open }: { open: KeyboardVisit } = $props();
	const { visit, instrument, record, body, summary, about } = $derived(open);
	const history = $derived(about.history ?? []);
	const judgement = $derived(judge(open));
	/** Earlier visits, and what has been read today. */
	const visits = $derived.by(() => {
		const before = history.map(({ at, sections, climate }) => ({
			at,
			sections,
			humidity: climate?.humidity ?? undefined
		}));
		if (!judgement) return before;
		const shift = centsBetween(hz(instrument.usualA4), hz(visit.a4));
		const sections = judgement.state.sections.map(({ id, level }) => ({ id, found: level + shift, left: undefined }));
		const humidity = record.report.arrival.climate?.humidity ?? undefined;
		return [{ at: visit.startedAt.getTime(), sections, humidity }, ...before];
	});
</script>

<ArriveStage {open} season={judgement?.season} record={history.length ? kept : undefined}>
	{#snippet strip(hint)}
		<KeyboardStrip lowest={body.lowest} highest={body.highest} notes={summary.notes} {hint} />
	{/snippet}
</ArriveStage>

{#snippet kept()}
	<h2><b>How did it keep its pitch?</b> <span>cents by section; below: humidity</span></h2>
	<SectionRecord {visits} now={visit.startedAt.getTime()} height={118} />
{/snippet}
