<script lang="ts">
	import { onMount } from 'svelte';
	import { A4, pitchLeft, summariseVisit } from '@fendrel/core';
	import { goto } from '$app/navigation';
	import Moves from '$lib/charts/Moves.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { counted, flatOrSharp, inHz, noteRuns, onDay, signed } from '$lib/ui/format';
	import { handOver } from '$lib/handover/handOver.svelte';
	import Strip from '$lib/visit/Strip.svelte';
	import VisitFrame from '$lib/visit/VisitFrame.svelte';
	import { familyOf } from '$lib/tuning/family';
	import { planFor } from '$lib/tuning/plan';
	import { NOTE_LIMIT, tooLong } from '$lib/ui/limits';

	let { data } = $props();
	const open = $derived(data.open);
	const { visit, instrument, temperament, measured, curve, record } = $derived(open);
	const plan = $derived(planFor({ ...instrument, a4: visit.a4, temperament, stretch: visit.stretch, curve, measured }));
	const { family, body } = $derived(familyOf(instrument));
	const summary = $derived(summariseVisit(record.groups, family.groups(body), (group) => plan.targetOf(group)?.pitch));
	const countedGroups = (count: number) => counted(count, family.group.one, family.group.many);
	const records = $derived(
		[...summary.notes.values()].flatMap(({ note, found, left }) => (found === undefined ? [] : [{ note, found, left }]))
	);
	const a4Left = $derived(pitchLeft(record.groups, A4));
	const rows = $derived([
		[
			'Found',
			summary.foundMiddle === undefined
				? 'not measured'
				: `${flatOrSharp(summary.foundMiddle)} (median of ${countedGroups(records.length)})`
		],
		['Moved', summary.movedMean === undefined ? 'nothing yet' : `${summary.movedMean.toFixed(1)} cents on average`],
		[
			'Largest move',
			summary.movedMost ? `${family.groupName(summary.movedMost.note)} by ${signed(summary.movedMost.by)} cents` : '–'
		],
		[
			'Left within',
			summary.leftSpread === undefined ? '–' : `±${summary.leftSpread.toFixed(1)} cents of target (standard deviation)`
		],
		['A4 left', a4Left ? `${inHz(a4Left, 2)} Hz` : 'not measured'],
		[
			'Left out',
			summary.leftOut.length
				? `${countedGroups(summary.leftOut.length)}: ${noteRuns(summary.leftOut, family.groupName)}`
				: 'nothing'
		]
	]);

	/** The text as it is written; undefined until somebody writes: then it is what the record has. */
	let draft = $state<string | undefined>();
	/** The versions that whoever writes has seen. */
	let seen: readonly string[] = [];
	const note = $derived(draft ?? visit.note);
	const noteProblem = $derived(tooLong(note, NOTE_LIMIT));
	const waiting = $derived(handOver.byVisit.of.get(visit.id) ?? 0);
	let finishing = $state(false);
	let timer: ReturnType<typeof setTimeout> | undefined;
	function noteChanged(text: string) {
		if (draft === undefined) seen = record.report.heads.note;
		draft = text;
		clearTimeout(timer);
		timer = setTimeout(keepNote, 700);
	}
	function keepNote() {
		clearTimeout(timer);
		if (draft === undefined || noteProblem) return;
		if (draft !== visit.note) record.write(draft, seen);
		draft = undefined;
	}

	async function finish(event: SubmitEvent) {
		event.preventDefault();
		if (noteProblem) return;
		keepNote();
		finishing = true;
		record.act({ do: 'finish' });
		// With the server there the work is over; without it the page says what waits.
		if (await handOver.flush()) await goto(`/instruments/${instrument.id}`);
		finishing = false;
	}

	onMount(() => {
		record.enter('close');
		return keepNote;
	});
	const keys = [{ keys: '?', does: 'show or hide this list' }];
</script>

<VisitFrame {open} stage="close">
	<div class="close">
		<section>
			<p class="verdict">
				{#if summary.set.length === 0}Nothing has been set{visit.finishedAt ? '' : ' yet'}.
				{:else if summary.leftOut.length === 0}All {countedGroups(summary.set.length)} set.
				{:else}{countedGroups(summary.set.length)} set, {summary.leftOut.length} left out.{/if}
			</p>
			<dl>
				{#each rows as [term, text] (term)}
					<dt>{term}</dt>
					<dd>{text}</dd>
				{/each}
			</dl>
			{#if visit.finishedAt}
				<p class="soft">
					Finished on {onDay(visit.finishedAt)}.
					{#if waiting}{counted(waiting, 'entry', 'entries')} of it wait{waiting === 1 ? 's' : ''} on this device and
						{waiting === 1 ? 'is' : 'are'} handed over when the server answers.{/if}
				</p>
				{#if visit.note}<p class="note">{visit.note}</p>{/if}
				<a class="btn preset-filled-brand" href="/instruments/{instrument.id}">To {instrument.name}</a>
			{:else}
				<form onsubmit={finish}>
					<label class="field">
						<span>Note for the record</span>
						<textarea
							class="textarea"
							name="note"
							rows="4"
							value={note}
							oninput={(event) => noteChanged(event.currentTarget.value)}
							aria-invalid={!!noteProblem}></textarea>
						{#if noteProblem}<span class="problem" role="alert">{noteProblem}</span>
						{:else}<span class="soft small">{draft === undefined && note ? 'Saved.' : 'Saved as you write.'}</span>{/if}
					</label>
					<div class="flex flex-wrap gap-3">
						<button class="btn preset-filled-brand" disabled={finishing}>Finish the visit</button>
						<a class="btn preset-outlined-surface-300-700" href="/visits/{visit.id}/set">Back to Set</a>
					</div>
				</form>
			{/if}
		</section>
		<section class="picture">
			{#if records.length}<Moves {records} lowest={instrument.lowest} highest={instrument.highest} />
			{:else}<p class="soft">What moved is shown here once notes have been read.</p>{/if}
		</section>
	</div>
	{#snippet strip()}
		<Strip {family} {body} notes={summary.notes}>
			{#snippet hint()}<Shortcuts {keys} />{/snippet}
		</Strip>
	{/snippet}
</VisitFrame>

<style>
	.close {
		display: grid;
		grid-template-columns: minmax(20rem, 28rem) minmax(0, 1fr);
		height: 100%;
	}
	section {
		padding: 1.5rem;
		overflow: auto;
		min-width: 0;
	}
	section:first-child {
		border-right: 1px solid var(--line);
	}
	.verdict {
		font-size: 1.9rem;
		margin-bottom: 1rem;
	}
	dl {
		display: grid;
		grid-template-columns: 7rem minmax(0, 1fr);
		margin-bottom: 1rem;
	}
	dt,
	dd {
		padding: 0.45rem 0;
		border-bottom: 1px solid var(--line);
	}
	dt {
		color: var(--soft);
	}
	form {
		display: grid;
		gap: 1rem;
	}
	.note {
		white-space: pre-line;
		overflow-wrap: anywhere;
		margin: 0.75rem 0 1.25rem;
	}
	.small {
		font-size: 0.85rem;
	}
	@media (max-width: 860px) {
		.close {
			grid-template-columns: minmax(0, 1fr);
		}
		section {
			padding: 1.25rem 1rem;
		}
		section:first-child {
			border-right: 0;
		}
	}
</style>
