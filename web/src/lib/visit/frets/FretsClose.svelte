<script lang="ts">
	import FretMap from '$lib/charts/FretMap.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import BenchClose from '../close/BenchClose.svelte';
	import type { FretVisit } from '../fretVisit.svelte';
	import { fretAccount } from './fretAccount';
	import FretStrip from './FretStrip.svelte';
	import { shownFrets } from './fretWords';

	let { open }: { open: FretVisit } = $props();
	const keys = [{ keys: '?', does: 'show or hide this list' }];
</script>

<BenchClose {open} lines={fretAccount(open)} label="Where the frets lie">
	{#snippet picture()}
		<p class="soft">Where the frets lie now, and where each string would have them.</p>
		<FretMap neck={open.body} frets={shownFrets(open)} height={260} />
	{/snippet}
	{#snippet strip()}
		<FretStrip {open}>
			{#snippet hint()}<Shortcuts {keys} />{/snippet}
		</FretStrip>
	{/snippet}
</BenchClose>
