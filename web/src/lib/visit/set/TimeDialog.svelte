<script lang="ts" generics="Body">
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { format } from 'date-fns';
	import { keyWeights, parseKeys, playedWeights } from '@fendrel/core';
	import DialogSheet from '$lib/ui/DialogSheet.svelte';
	import { counted, noteRuns } from '$lib/ui/format';
	import { LINE_LIMIT } from '$lib/ui/limits';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { readPieces } from './programmeFile';
	import type { SetSession } from './session.svelte';
	import { fitsInto } from './timeLeft';
	import { nextAt } from './timeOfEnd';

	/** When one has to be done, what is played then, and which notes bring most until then. */
	interface Props {
		session: SetSession<Body>;
		open: KeyboardVisit;
		/** Told when it is said anew. */
		onuntil: (at: number | undefined) => void;
		until: number | undefined;
		onclose: () => void;
	}
	let { session, open, until, onuntil, onclose }: Props = $props();
	const { record } = $derived(open);
	const { lowest, highest } = $derived(open.instrument);
	const now = new Date();
	const notes = $derived([...new Set(session.setting.order.map(({ note }) => note))]);
	const minutes = $derived(until === undefined ? undefined : (until - now.getTime()) / 60_000);
	const fits = $derived(minutes === undefined ? undefined : fitsInto(open, notes, minutes));
	const { programme } = $derived(record.report.arrival);
	let timeProblem = $state('');
	let keys = $state('');
	let problem = $state('');

	function typeTime(text: string) {
		timeProblem = '';
		if (!text) return onuntil(undefined);
		const at = nextAt(text, now);
		if (at === undefined) timeProblem = 'A time like 16:40.';
		else onuntil(at);
	}
	function takeKeys() {
		const read = parseKeys(keys);
		problem = 'wrong' in read ? `“${read.wrong}” is no key. Type keys like C, E♭ or F# minor.` : '';
		if ('wrong' in read) return;
		// Without a key notes count as usual.
		const weights = read.length ? keyWeights(read, lowest, highest) : [];
		record.act({ do: 'programme', name: keys.trim().slice(0, LINE_LIMIT), weights });
	}
	async function takeFiles(input: HTMLInputElement) {
		const files = [...(input.files ?? [])];
		input.value = '';
		if (files.length === 0) return;
		const read = await readPieces(files);
		problem = 'problem' in read ? read.problem : '';
		if ('problem' in read) return;
		const name = files.map((file) => file.name.replace(/\.midi?$/i, '')).join(', ');
		record.act({
			do: 'programme',
			name: name.slice(0, LINE_LIMIT),
			weights: playedWeights(read.value, lowest, highest)
		});
	}
	function setOnlyThese() {
		if (!fits) return;
		// What is brought to its neighbours is still brought there.
		const above = new Map(record.report.plan?.touch?.map((each) => [each.note, each.above]));
		open.replan({ touch: fits.notes.map((note) => ({ note, above: above.get(note) ?? 0 })) });
		open.edition++;
		onclose();
	}
</script>

<DialogSheet open title="The time that is left" {onclose} sheet="w-[34rem]">
	<label class="until"
		>Done by
		<input
			class="input"
			type="time"
			value={until === undefined ? '' : format(until, 'HH:mm')}
			onchange={(event) => typeTime(event.currentTarget.value)}
		/></label
	>
	{#if timeProblem}<p class="problem" role="alert">{timeProblem}</p>{/if}
	{#if fits && minutes !== undefined}
		<p role="status">
			{#if fits.leftOut.length === 0}
				Everything fits: {counted(fits.notes.length, 'note')} in about {Math.ceil(fits.minutes)} of {Math.floor(
					minutes
				)} minutes.
			{:else}
				{counted(Math.max(0, Math.floor(minutes)), 'minute')}: enough for {fits.notes.length} of {counted(
					fits.notes.length + fits.leftOut.length,
					'note'
				)}, {Math.round(100 * fits.share)} % of what all of them would bring. {noteRuns(
					fits.leftOut,
					open.family.groupName,
					6
				)} stay as they are.
			{/if}
		</p>
		{#if fits.leftOut.length && fits.notes.length}
			<button type="button" class="btn preset-filled-brand" onclick={setOnlyThese}>Set only these</button>
		{/if}
	{/if}
	<section aria-label="Programme">
		<h3>What is played</h3>
		<p class="soft">
			{programme
				? `Notes count by: ${programme.name}.`
				: 'Nobody has said. Notes in the middle count most, as in most music.'}
		</p>
		<div class="programme">
			<input
				class="input"
				aria-label="Keys"
				placeholder="Keys, e.g. C, E♭, F# minor"
				bind:value={keys}
				onkeydown={(event) => event.key === 'Enter' && takeKeys()}
			/>
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={takeKeys}
				>{keys.trim() ? 'Take these keys' : 'As usual'}</button
			>
			<label class="btn preset-outlined-surface-300-700"
				>MIDI files<input
					type="file"
					class="sr-only"
					accept=".mid,.midi,audio/midi"
					multiple
					onchange={(event) => takeFiles(event.currentTarget)}
				/></label
			>
		</div>
		{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
	</section>
	<div class="mt-4">
		<Dialog.CloseTrigger class="btn preset-outlined-surface-300-700">Close</Dialog.CloseTrigger>
	</div>
</DialogSheet>

<style>
	.until {
		display: flex;
		gap: 0.75rem;
		align-items: center;
		margin-bottom: 0.6rem;
	}
	.until .input {
		width: 8rem;
	}
	section {
		margin-top: 1.25rem;
	}
	h3 {
		font-weight: 700;
	}
	.programme {
		display: flex;
		gap: 0.5rem;
		margin-top: 0.4rem;
	}
	.programme .btn {
		white-space: nowrap;
		cursor: pointer;
	}
	p {
		line-height: 1.4;
		margin-bottom: 0.5rem;
	}
</style>
