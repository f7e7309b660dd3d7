<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { counted } from '$lib/ui/format';
	import type { ReedVisit } from '../reedVisit.svelte';

	let { open }: { open: ReedVisit } = $props();
	/** Further off than that a reed was read for another key, or another layout. */
	const ANOTHER_KEY = 60;
	const read = $derived(open.reeds.filter(({ off, role }) => off !== undefined && role !== 'auxiliary'));
	const strange = $derived(read.filter(({ off }) => Math.abs(off!) > ANOTHER_KEY));
</script>

{#if strange.length > 2 && 2 * strange.length > read.length}
	<p class="notice" role="alert">
		{counted(strange.length, 'reed')} of {read.length} stand more than half a semitone from where a set on
		{noteName(open.body.tonic)} has them. Was the key or the layout changed? What was read is kept;
		<a class="anchor" href="/instruments/{open.instrument.id}/edit">say what this set is</a>.
	</p>
{/if}
