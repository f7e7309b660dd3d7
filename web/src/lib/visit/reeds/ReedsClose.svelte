<script lang="ts">
	import ReedPlates from '$lib/charts/ReedPlates.svelte';
	import ReedStrip from '$lib/charts/ReedStrip.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import BenchClose from '../close/BenchClose.svelte';
	import type { ReedVisit } from '../reedVisit.svelte';
	import { reedAccount } from './reedAccount';

	let { open }: { open: ReedVisit } = $props();
	const { reeds } = $derived(open);
	const keys = [{ keys: '?', does: 'show or hide this list' }];
</script>

<BenchClose {open} lines={reedAccount(open)} label="What was filed">
	{#snippet picture()}
		<p class="soft">Beneath each reed: strokes at its tip and at its root.</p>
		<ReedPlates
			{reeds}
			says="cents from the plan, as they are left"
			height={150}
			under={({ tip, root }) => `${tip}, ${root}`}
		/>
	{/snippet}
	{#snippet strip()}
		<ReedStrip {reeds}>
			{#snippet hint()}<Shortcuts {keys} />{/snippet}
		</ReedStrip>
	{/snippet}
</BenchClose>
