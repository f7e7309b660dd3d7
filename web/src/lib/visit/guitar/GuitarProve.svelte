<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import ChordBeats from '$lib/charts/ChordBeats.svelte';
	import { counted } from '$lib/ui/format';
	import { leaveButton } from '$lib/ui/keys';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import DueString from '../frets/DueString.svelte';
	import FretStrip from '../frets/FretStrip.svelte';
	import type { GuitarVisit } from '../guitarVisit.svelte';
	import ListeningStatus from '../ListeningStatus.svelte';
	import TwoColumns from '../TwoColumns.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import { chordsNow } from './chordPrices';
	import ForLuthier from './ForLuthier.svelte';
	import { GuitarBench } from './guitarBench.svelte';
	import LiveStrings from './LiveStrings.svelte';

	let { open }: { open: GuitarVisit } = $props();
	const { visit, strings, now } = $derived(open);
	const bench: GuitarBench = untrack(
		() =>
			new GuitarBench(open, 'played', (_, due) => {
				if (due === bench.due) bench.goOn();
			})
	);
	onMount(() => {
		open.record.enter('prove');
		return bench.begin();
	});
	const read = $derived(strings.filter(({ isRead }) => isRead));
	const outside = $derived(read.filter(({ off }) => Math.abs(off!) > visit.tolerance));
	const verdict = $derived(
		read.length < strings.length
			? `${counted(read.length, 'string')} of ${strings.length} read. Sound each once more, now that all are set.`
			: outside.length === 0
				? `All ${strings.length} strings stand within ${visit.tolerance} cents.`
				: `${outside.map(({ noteName }) => noteName).join(', ')} ${outside.length === 1 ? 'stands' : 'stand'} more than ${visit.tolerance} cents off: set ${outside.length === 1 ? 'it' : 'them'} again.`
	);
	const KEYS = [
		{ keys: '1', does: 'pluck it as it is played (simulated strings)' },
		{ keys: '?', does: 'show or hide this list' }
	];
	const says = $derived(bench.sounds ? 'It sounds; it is read by and by.' : 'Pluck it as it is played.');
</script>

<svelte:window onclick={leaveButton} />

<VisitFrame {open} stage="prove">
	{#snippet status()}<ListeningStatus listening={bench.listening} to="strings" />{/snippet}
	<TwoColumns>
		{#snippet column()}
			<p class="headline" data-testid="proof">{verdict}</p>
			<DueString {bench} {says} within={visit.tolerance} />
			<p><a class="anchor" href="/visits/{visit.id}/close">Go on to Close</a></p>
		{/snippet}
		{#snippet pictures()}
			<h2><b>Where does each string stand?</b> <span>shaded: within tolerance</span></h2>
			<LiveStrings {open} {bench} height={230} />
			{#if now}
				<h2><b>How does each chord beat?</b> <span>as the strings stand now, and what beats most in it</span></h2>
				<ChordBeats chords={chordsNow(open, now)} label="How each chord beats now" />
			{/if}
			<ForLuthier {open} />
		{/snippet}
	</TwoColumns>
	{#snippet strip()}
		<FretStrip {open} current={bench.due} onselect={(group) => bench.goTo(group)}>
			{#snippet hint()}<Shortcuts keys={KEYS} />{/snippet}
		</FretStrip>
	{/snippet}
</VisitFrame>

<style>
	.headline {
		font-family: var(--serif);
		font-size: 1.5rem;
		line-height: 1.2;
	}
</style>
