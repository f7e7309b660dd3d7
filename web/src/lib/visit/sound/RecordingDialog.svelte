<script lang="ts" generics="Body">
	import { centsBetween, MOST_STRIKES, noteName, surveyNote, surveyStrike } from '@fendrel/core';
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import DialogSheet from '$lib/ui/DialogSheet.svelte';
	import { counted, lasting, signed } from '$lib/ui/format';
	import { Recording } from './recording.svelte';
	import type { Survey } from './survey.svelte';
	import { foundWords } from './foundWords';

	interface Props {
		survey: Survey<Body>;
		/** The file that was chosen or dropped; undefined closes. */
		file: File | undefined;
	}
	let { survey, file = $bindable() }: Props = $props();
	let open = $state(false);
	let recording = $state.raw<Recording | undefined>();
	/** Notes that are not to be kept. */
	let left = $state.raw<ReadonlySet<number>>(new Set());

	const rows = $derived.by(() => {
		if (!recording) return [];
		const strings = recording.open ? 2 : 1;
		const notes = [...new Set(recording.strikes.map(({ reading }) => reading.note))].sort((a, b) => a - b);
		return notes.map((note) => {
			const strikes = recording!.strikes.filter(({ reading }) => reading.note === note);
			const found = surveyNote(strikes.map(({ reading, analysis }) => surveyStrike(reading, analysis, strings)))!;
			const target = survey.targetOf(note);
			return {
				note,
				strikes: strikes.length,
				offset: target && centsBetween(target, found.pitch),
				words: foundWords(found)
			};
		});
	});
	const kept = $derived(rows.filter(({ note }) => !left.has(note)));

	function listen() {
		recording = new Recording(file!.name, file!, survey.recordingSetup(), open);
		left = new Set();
		void recording.read(open ? 3 : 1);
	}
	function toggle(note: number) {
		const next = new Set(left);
		if (!next.delete(note)) next.add(note);
		left = next;
	}
	function keep() {
		const { strikes, open } = recording!;
		const of = (note: number) => strikes.filter(({ reading }) => reading.note === note).slice(-MOST_STRIKES);
		survey.takeRecorded(
			kept.flatMap(({ note }) => of(note)),
			open
		);
		close();
	}
	function close() {
		recording?.close();
		recording = undefined;
		file = undefined;
	}
</script>

<DialogSheet
	open={file !== undefined}
	title="A recording of this instrument"
	onclose={close}
	sheet="w-full"
	closesBeside={false}
>
	<p class="file">{file?.name}</p>
	{#if !recording}
		<p class="how">
			Single notes or a run over the whole keyboard, one note after the other, each let sound for a second or more.
			Every note is recognised by itself.
		</p>
		<fieldset>
			<legend>What was left unmuted?</legend>
			<label><input type="radio" bind:group={open} value={false} /> one string of each note</label>
			<label><input type="radio" bind:group={open} value={true} /> all strings of each note</label>
		</fieldset>
		<div class="buttons">
			<button type="button" class="btn preset-filled-brand" onclick={listen}>Listen to it</button>
			<Dialog.CloseTrigger class="btn preset-outlined-surface-300-700">Cancel</Dialog.CloseTrigger>
		</div>
	{:else}
		<div role="status">
			{#if recording.state === 'reading'}
				<progress value={recording.share} max="1" aria-label="Listening"></progress>
				<p>
					{lasting(recording.seconds)} heard, {counted(recording.strikes.length, 'strike')} read
				</p>
			{:else if recording.state === 'read'}
				<p>
					<b>{counted(recording.strikes.length, 'strike')}</b> on {counted(rows.length, 'note')}, in
					{lasting(recording.seconds)}{#if recording.refused}; {counted(recording.refused, 'strike')} left out: more than
						one note, or none{/if}.
				</p>
			{/if}
			{#if recording.problem}<p class="problem" role="alert">{recording.problem}</p>{/if}
		</div>
		{#if rows.length}
			<div class="rows">
				<table>
					<thead>
						<tr
							><th>keep</th><th>note</th><th class="figure">from plan, cents</th><th>stiffness</th><th>beat</th><th
								class="figure">strikes</th
							></tr
						>
					</thead>
					<tbody>
						{#each rows as { note, strikes, offset, words } (note)}
							<tr class:left={left.has(note)}>
								<td>
									<input
										type="checkbox"
										aria-label="Keep {noteName(note)}"
										checked={!left.has(note)}
										onchange={() => toggle(note)}
									/>
								</td>
								<td>{noteName(note)}</td>
								<td class="figure">{offset === undefined ? 'not on it' : signed(offset)}</td>
								<td class="soft">{words.stiffness}</td>
								<td class="soft">{words.beat}</td>
								<td class="figure">{strikes}</td>
							</tr>
						{/each}
					</tbody>
				</table>
			</div>
		{/if}
		<div class="buttons">
			{#if recording.state === 'read'}
				<button type="button" class="btn preset-filled-brand" disabled={kept.length === 0} onclick={keep}
					>Keep {counted(kept.length, 'note')}</button
				>
			{/if}
			<Dialog.CloseTrigger class="btn preset-outlined-surface-300-700"
				>{recording.state === 'failed' ? 'Close' : 'Keep nothing'}</Dialog.CloseTrigger
			>
		</div>
	{/if}
</DialogSheet>

<style>
	.file {
		font-family: var(--mono);
		margin-bottom: 0.6rem;
		overflow-wrap: anywhere;
	}
	.how {
		line-height: 1.4;
		max-width: 34rem;
	}
	fieldset {
		margin: 0.8rem 0;
	}
	legend {
		font-weight: 700;
	}
	label {
		display: flex;
		align-items: center;
		gap: 0.6rem;
		min-height: 44px;
	}
	progress {
		appearance: none;
		width: 100%;
		height: 10px;
		border: 0;
		border-radius: 5px;
		overflow: hidden;
		background: var(--line);
	}
	progress::-webkit-progress-bar {
		background: var(--line);
	}
	progress::-webkit-progress-value {
		background: var(--felt);
	}
	progress::-moz-progress-bar {
		background: var(--felt);
	}
	input {
		accent-color: var(--felt);
	}
	.rows {
		max-height: 46vh;
		overflow: auto;
		margin-top: 0.8rem;
		border-block: 1px solid var(--line);
	}
	table {
		width: 100%;
		border-collapse: collapse;
		font-size: 0.95rem;
	}
	th {
		position: sticky;
		top: 0;
		background: var(--sheet);
		text-align: left;
		font-weight: 600;
		font-size: 0.85rem;
		color: var(--soft);
		padding: 0.3rem 0.8rem 0.3rem 0;
	}
	td {
		padding: 0.3rem 0.8rem 0.3rem 0;
		border-top: 1px solid var(--line);
	}
	td input {
		width: 1.3rem;
		height: 1.3rem;
		margin-left: 0.3rem;
	}
	.figure {
		text-align: right;
		font-family: var(--mono);
	}
	th.figure {
		font-family: inherit;
	}
	.left {
		opacity: 0.55;
	}
	.buttons {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		margin-top: 1.1rem;
	}
</style>
