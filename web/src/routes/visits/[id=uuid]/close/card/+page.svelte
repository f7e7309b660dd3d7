<script lang="ts">
	import ReedPlates from '$lib/charts/ReedPlates.svelte';
	import { onDay } from '$lib/ui/format';
	import { nextVisit } from '$lib/visit/close/nextVisit';
	import PrintPage from '$lib/visit/PrintPage.svelte';
	import FretMap from '$lib/charts/FretMap.svelte';
	import LineList from '$lib/visit/close/LineList.svelte';
	import { FretVisit } from '$lib/visit/fretVisit.svelte';
	import { fretAccount } from '$lib/visit/frets/fretAccount';
	import { shownFrets } from '$lib/visit/frets/fretWords';
	import { guitarAccount } from '$lib/visit/guitar/guitarAccount';
	import OffsetSheet from '$lib/visit/guitar/OffsetSheet.svelte';
	import { GuitarVisit } from '$lib/visit/guitarVisit.svelte';
	import { reedAccount } from '$lib/visit/reeds/reedAccount';

	let { data } = $props();
	const { open } = $derived(data);
	const { visit, instrument, record } = $derived(open);
	const next = $derived(nextVisit(open, { moved: 0 }, new Date()));
	const { answer, word } = $derived(record.report.closing);
	const lines = $derived<(readonly [string, string])[]>([
		...(open instanceof FretVisit
			? fretAccount(open)
			: open instanceof GuitarVisit
				? guitarAccount(open)
				: reedAccount(open)),
		...(answer ? [['complaint', answer] as const] : []),
		...(word ? [['the player', `“${word.text}”${word.by ? ` (${word.by})` : ''}`] as const] : []),
		...(visit.note ? [['note', visit.note] as const] : []),
		['next', `${onDay(new Date(next.on))}: ${next.why}`]
	]);
</script>

<PrintPage heading={instrument.name} title="Card of {instrument.name}" back="/visits/{visit.id}/close" backTo="Close">
	<p>{onDay(visit.startedAt)}{open.who ? `, ${open.who}` : ''}</p>
	<LineList {lines} />
	{#if open instanceof FretVisit}
		<FretMap neck={open.body} frets={shownFrets(open)} />
	{:else if open instanceof GuitarVisit}
		<OffsetSheet {open} />
	{:else}
		<ReedPlates
			reeds={open.reeds}
			says="cents from the plan; beneath each reed: strokes at its tip and at its root"
			under={({ tip, root }) => `${tip}, ${root}`}
		/>
	{/if}
</PrintPage>
