<script lang="ts">
	import type { SounderId } from '@fendrel/core';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import PassPanel from './PassPanel.svelte';
	import type { RaiseWork } from './raiseWork.svelte';
	import TrialPanel from './TrialPanel.svelte';

	interface Props {
		open: KeyboardVisit;
		raise: RaiseWork;
		/** The note that is due, and the string that is left sounding. */
		note: number;
		sounder: SounderId;
		onselect: (note: number) => void;
	}
	let { open, raise, note, sounder, onselect }: Props = $props();
</script>

{#if raise.isTrial}<TrialPanel {open} {raise} {note} {sounder} />{:else}<PassPanel
		{open}
		{raise}
		{note}
		{onselect}
	/>{/if}
