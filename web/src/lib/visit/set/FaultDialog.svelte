<script lang="ts" generics="Body">
	import { v7 as uuid } from 'uuid';
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { sideFaults, type SideFault } from '@fendrel/core';
	import DialogSheet from '$lib/ui/DialogSheet.svelte';
	import { attach } from '../attach';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { partOfStrings } from './partOfStrings';
	import type { SetSession } from './session.svelte';

	/** Two touches put a fault on record, with the sound of the last blow. */
	interface Props {
		session: SetSession<Body>;
		open: KeyboardVisit;
		onclose: () => void;
	}
	let { session, open, onclose }: Props = $props();
	const { setting, record } = $derived(session);
	const note = $derived(setting.step.note);
	const faults = $derived(sideFaults(open.instrument.kind));

	async function log({ text, part: of }: SideFault) {
		onclose();
		const part = of === 'strings' ? partOfStrings(open.instrument, note) : of;
		const said = text.replace('#', setting.nameOf(note));
		const heard = session.last.reading?.note === note ? await session.last.whole() : undefined;
		record.act({ do: 'finding', finding: uuid(), part, text: said, state: 'open' });
		if (heard) {
			const { soundFile } = await import('$lib/listening/soundFile');
			await attach(record, part, 'sound', soundFile(heard));
		}
		setting.notice = {
			text: `${said}: work found, ${heard ? 'with the sound of the last blow' : 'without a sound'}.`,
			passes: true
		};
	}
	function broke() {
		onclose();
		session.stringBroke();
	}
</script>

<DialogSheet open title="{setting.nameOf(note)}: what is wrong?" {onclose} sheet="w-[26rem]">
	<div class="faults">
		{#each faults as fault (fault.id)}
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => log(fault)}>{fault.name}</button>
		{/each}
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={broke}>The string broke</button>
	</div>
	<div class="mt-4">
		<Dialog.CloseTrigger class="btn preset-outlined-surface-300-700">Nothing</Dialog.CloseTrigger>
	</div>
</DialogSheet>

<style>
	.faults {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0.5rem;
	}
	.faults .btn {
		min-height: 52px;
		white-space: normal;
	}
</style>
