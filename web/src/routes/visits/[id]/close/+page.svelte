<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { A4, pitchLeft, summariseVisit } from '@fendrel/core';
	import { enhance } from '$app/forms';
	import type { SubmitFunction } from '@sveltejs/kit';
	import Moves from '$lib/charts/Moves.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { counted, flatOrSharp, inHz, noteRuns, onDay, signed } from '$lib/ui/format';
	import { handOver } from '$lib/handover/handOver.svelte';
	import Strip from '$lib/visit/Strip.svelte';
	import VisitFrame from '$lib/visit/VisitFrame.svelte';
	import { familyOf } from '$lib/tuning/family';
	import { planFor } from '$lib/tuning/plan';
	import { saveChanges } from '$lib/visit/requests';
	import { VisitRecord } from '$lib/visit/visitRecord.svelte';

	let { data } = $props();
	const visit = $derived(data.visit);
	const instrument = $derived(data.instrument);
	const temperament = $derived(data.temperaments.find(({ id }) => id === visit.temperamentId)!);
	const plan = $derived(
		planFor({
			...instrument,
			a4: visit.a4,
			temperament,
			stretch: visit.stretch,
			curve: data.curve,
			measured: data.measured
		})
	);
	const record = untrack(() => new VisitRecord(data.visit.id, data.events, handOver));
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

	let unsent = $state<string | undefined>();
	let noteProblem = $state<string | undefined>();
	let noteSaved = $state(false);
	let note = $state(untrack(() => data.visit.note));
	let finishing = $state(false);
	let timer: ReturnType<typeof setTimeout> | undefined;
	function noteChanged() {
		clearTimeout(timer);
		noteSaved = false;
		timer = setTimeout(async () => {
			noteProblem = await saveChanges(visit.id, { note });
			noteSaved = !noteProblem;
		}, 700);
	}

	/** Finishes only when every reading has arrived; the note is saved with it. */
	const finish: SubmitFunction = async ({ cancel }) => {
		clearTimeout(timer);
		finishing = true;
		if (!(await handOver.flush())) {
			cancel();
			finishing = false;
			const waiting = handOver.byVisit.of.get(visit.id) ?? 0;
			unsent = `${counted(waiting, 'entry', 'entries')} of this visit wait on this device. Finish when the server answers again.`;
			return;
		}
		return async ({ result, update }) => {
			finishing = false;
			if (result.type === 'failure') noteProblem = result.data?.problem;
			else if (result.type === 'error')
				unsent = 'The server could not finish the visit. Nothing is lost; try again in a moment.';
			else await update();
		};
	};

	onMount(() => {
		void record.restore();
		if (visit.finishedAt) return;
		void saveChanges(visit.id, { stage: 'close' });
		return () => clearTimeout(timer);
	});
	const keys = [{ keys: '?', does: 'show or hide this list' }];
</script>

<VisitFrame {visit} {instrument} temperament={temperament.name} stage="close">
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
				<p class="soft">Finished on {onDay(visit.finishedAt)}.</p>
				{#if visit.note}<p class="note">{visit.note}</p>{/if}
				<a class="btn preset-filled-brand" href="/instruments/{instrument.id}">To {instrument.name}</a>
			{:else}
				<form method="POST" action="?/finish" use:enhance={finish}>
					<label class="field">
						<span>Note for the record</span>
						<textarea
							class="textarea"
							name="note"
							rows="4"
							bind:value={note}
							oninput={noteChanged}
							aria-invalid={!!noteProblem}></textarea>
						{#if noteProblem}<span class="problem" role="alert">{noteProblem}</span>
						{:else}<span class="soft small">{noteSaved ? 'Saved.' : 'Saved as you write.'}</span>{/if}
					</label>
					{#if unsent}<p class="notice" role="alert">{unsent}</p>{/if}
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
