<script lang="ts">
	import { onMount } from 'svelte';
	import Moves from '$lib/charts/Moves.svelte';
	import { handOver } from '$lib/handover/handOver.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { counted, onDay } from '$lib/ui/format';
	import NoteForm from '$lib/visit/close/NoteForm.svelte';
	import { closeVerdict, summaryLines } from '$lib/visit/close/closeWords';
	import Strip from '$lib/visit/Strip.svelte';
	import VisitFrame from '$lib/visit/VisitFrame.svelte';

	let { data } = $props();
	const open = $derived(data.open);
	const { visit, instrument, record, family, body, summary } = $derived(open);
	const words = $derived({
		counted: (count: number) => counted(count, family.group.one, family.group.many),
		nameOf: family.groupName
	});
	const records = $derived(
		[...summary.notes.values()].flatMap(({ note, found, left }) => (found === undefined ? [] : [{ note, found, left }]))
	);
	const waiting = $derived(handOver.byVisit.of.get(visit.id) ?? 0);
	onMount(() => record.enter('close'));
	const keys = [{ keys: '?', does: 'show or hide this list' }];
</script>

<VisitFrame {open} stage="close">
	<div class="close">
		<section>
			<p class="verdict">{closeVerdict(summary, visit.finishedAt !== null, words)}</p>
			<dl>
				{#each summaryLines(summary, record.groups, words) as [term, text] (term)}
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
				<NoteForm {open} />
			{/if}
		</section>
		<section class="picture">
			{#if records.length}<Moves {records} lowest={instrument.lowest} highest={instrument.highest} />
			{:else}<p class="soft">Moves are shown here once notes have been read.</p>{/if}
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
	.note {
		white-space: pre-line;
		overflow-wrap: anywhere;
		margin: 0.75rem 0 1.25rem;
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
