<script lang="ts">
	import ChordBeats from '$lib/charts/ChordBeats.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import BenchClose from '../close/BenchClose.svelte';
	import FretStrip from '../frets/FretStrip.svelte';
	import type { GuitarVisit } from '../guitarVisit.svelte';
	import { shownChords } from './chordPrices';
	import { guitarAccount } from './guitarAccount';

	let { open }: { open: GuitarVisit } = $props();
	const keys = [{ keys: '?', does: 'show or hide this list' }];
</script>

<BenchClose {open} lines={guitarAccount(open)} label="How the chords beat">
	{#snippet picture()}
		<p class="soft">How each chord beats with these offsets; dashed: as the strings stand.</p>
		<ChordBeats chords={shownChords(open)} label="How each chord beats" />
	{/snippet}
	{#snippet strip()}
		<FretStrip {open}>
			{#snippet hint()}<Shortcuts {keys} />{/snippet}
		</FretStrip>
	{/snippet}
</BenchClose>
