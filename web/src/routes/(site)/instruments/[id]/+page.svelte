<script lang="ts">
	import { isKeyboardKind, noteName } from '@fendrel/core';
	import { formatDistanceToNow } from 'date-fns';
	import SectionRecord from '$lib/charts/SectionRecord.svelte';
	import CompareForm from '$lib/instruments/CompareForm.svelte';
	import { invalidateAll } from '$app/navigation';
	import Whereabouts from '$lib/instruments/Whereabouts.svelte';
	import DriftAbout from '$lib/instruments/DriftAbout.svelte';
	import StrayPins from '$lib/instruments/StrayPins.svelte';
	import LooksBefore from '$lib/telephone/LooksBefore.svelte';
	import OpenFindings from '$lib/instruments/OpenFindings.svelte';
	import { mayDo } from '$lib/workshop/roles';
	import ConfirmForm from '$lib/ui/ConfirmForm.svelte';
	import BeginVisit from '$lib/visit/BeginVisit.svelte';
	import { holdInstrument } from '$lib/visit/begin';
	import Pager from '$lib/ui/Pager.svelte';
	import VisitTable from '$lib/instruments/VisitTable.svelte';
	import FretMap from '$lib/charts/FretMap.svelte';
	import ReedPlates from '$lib/charts/ReedPlates.svelte';
	import { layoutShown, reedFacts } from '$lib/instruments/reedFacts';
	import { fretsShown, neckFacts } from '$lib/instruments/neckForm';
	import { groupsCounted, KIND_NAMES } from '$lib/tuning/kinds';
	import { counted, inHz, inSentence, onDay } from '$lib/ui/format';

	let { data, form } = $props();
	const role = $derived(data.signedIn.role);
	const mayWork = $derived(mayDo(role, 'work'));
	const mayDelete = $derived(mayDo(role, 'decide'));
	// Looked at here, it can be worked on without the server.
	$effect(() => {
		if (mayWork) void holdInstrument(data.instrument.id);
	});
	const instrument = $derived(data.instrument);
	const isKeyboard = $derived(isKeyboardKind(instrument.kind));
	const { open, last } = $derived(data);
	const owner = $derived(data.contacts.find(({ id }) => id === instrument.ownerId));
	const facts = $derived([
		[
			'Stands',
			instrument.location
				? [instrument.location.name, instrument.location.town].filter(Boolean).join(', ')
				: 'not noted'
		],
		...(owner ? [['Owner', owner.name]] : []),
		['Kind', KIND_NAMES[instrument.kind]],
		['Maker', [instrument.maker, instrument.madeIn].filter(Boolean).join(', ') || 'not noted'],
		['Compass', `${noteName(instrument.lowest)} to ${noteName(instrument.highest)}`],
		['Usual A4', `${inHz(instrument.usualA4)} Hz`],
		...(instrument.reeds
			? reedFacts(instrument.reeds)
			: instrument.neck
				? neckFacts(instrument.neck)
				: [['Strings read', data.notesRead ? `${counted(data.notesRead, 'note')} with inharmonicity` : 'none yet']])
	]);
	const sections = $derived(
		data.history.map(({ at, sections, climate }) => ({ at, sections, humidity: climate?.humidity ?? undefined }))
	);
</script>

<svelte:head><title>{instrument.name} | Fendrel</title></svelte:head>

<div class="top">
	<div>
		<h1>{instrument.name}</h1>
		<p class="verdict state">
			{#if open}
				A visit of {onDay(open.startedAt)} is half done: {groupsCounted(open.notesSet, instrument.kind)} set.
			{:else if last}
				{#if !isKeyboard}{groupsCounted(last.notesSet, instrument.kind)} set,{:else}Left {last.a4Left
						? `at A4 = ${inHz(last.a4Left)} Hz`
						: 'without a reading of A4'}, {inSentence(last.temperament)},{/if}
				{formatDistanceToNow(last.finishedAt!)} ago.
			{:else}
				No visit yet.
			{/if}
		</p>
	</div>
	<div class="actions">
		{#if mayWork}
			<BeginVisit instrumentId={instrument.id} label={open ? 'Go on with the visit' : 'Start a visit'} />
		{/if}
		{#if mayWork && !open && isKeyboard}<BeginVisit
				instrumentId={instrument.id}
				label="Mend one note"
				to="/sound?of=around"
				quiet
			/>{/if}
		{#if mayWork}
			{#if isKeyboard}
				<a class="btn preset-outlined-surface-300-700" href="/practice/twin?instrument={instrument.id}">Hear it</a>
				<a class="btn preset-outlined-surface-300-700" href="/instruments/{instrument.id}/scale">Scale</a>
			{/if}
			<Whereabouts {instrument} places={data.places} contacts={data.contacts} onchange={() => invalidateAll()} />
			<a class="btn preset-outlined-surface-300-700" href="/instruments/{instrument.id}/edit">Edit</a>
		{/if}
	</div>
</div>
{#if instrument.archivedAt}<p class="mt-4" role="status">
		Laid aside since {onDay(instrument.archivedAt)}: kept with its history, and no longer due.
	</p>{/if}
{#if form && 'problem' in form}<p class="notice mt-4" role="alert">{form.problem}</p>{/if}
{#if data.isVisitGone}
	<p class="mt-4" role="status">
		The visit is deleted. Under <a class="anchor" href="/workshop/deleted">Deleted</a> it can be brought back for 30 days.
	</p>
{/if}

<div class="body">
	<aside>
		<dl>
			{#each facts as [term, text] (term)}
				<dt>{term}</dt>
				<dd>{text}</dd>
			{/each}
		</dl>
		{#if instrument.notes}<p class="notes">{instrument.notes}</p>{/if}
		<OpenFindings findings={data.findings} />
		<StrayPins pins={data.stray} />
		{#if isKeyboard}<LooksBefore instrumentId={instrument.id} looks={data.looks} {mayWork} />{/if}
	</aside>
	<div class="record">
		{#if instrument.reeds}
			<ReedPlates
				reeds={layoutShown(instrument.reeds, instrument.usualA4)}
				says="its notes and their degrees"
				height={110}
			/>
		{/if}
		{#if instrument.neck}
			<FretMap neck={instrument.neck} frets={fretsShown(instrument.neck)} height={230} />
		{/if}
		{#if sections.length && isKeyboard}
			<h2 class="asks">
				<b>How did it keep its pitch?</b>
				<span>cents from A4 = {inHz(instrument.usualA4)} Hz by section; below: humidity</span>
			</h2>
			<SectionRecord visits={sections} now={Date.now()} height={250} ahead={data.drift?.ahead} />
			{#if data.drift}<DriftAbout drift={data.drift} />{/if}
		{/if}
		{#if data.finished}
			<h2>{counted(data.finished, 'visit')}</h2>
			<VisitTable visits={data.visits} instrumentId={instrument.id} {mayWork} kind={instrument.kind} />
			<Pager
				next={data.next === undefined ? undefined : `?visits=${data.next}`}
				first={data.isFirst ? undefined : '?'}
				of="visits"
			/>
			{#if data.days.length > 1 && isKeyboard}<CompareForm instrumentId={instrument.id} visits={data.days} />{/if}
		{:else}
			<p class="soft">{isKeyboard ? 'Its pitch record' : 'Its record'} starts with the first visit.</p>
		{/if}
		{#if mayDelete}
			<div class="deletes">
				{#if open}
					<ConfirmForm
						label="Delete the open visit"
						title="Delete the visit that is half done?"
						text="All that was read, set and noted in it is gone from view. Under Deleted it can be brought back for 30 days."
						does="Delete the visit"
						action="?/deleteVisit"
						fields={{ visit: open.id }}
					/>
				{/if}
				<ConfirmForm
					label="Delete this instrument"
					title="Delete {instrument.name}?"
					text="It goes with {counted(
						data.inAll,
						'visit'
					)} and all that was read. Under Deleted it can be brought back for 30 days; after that it is gone for good."
					does="Delete it"
					action="?/delete"
					fields={{ instrument: instrument.id }}
				/>
			</div>
		{/if}
	</div>
</div>

<style>
	.top {
		display: flex;
		justify-content: space-between;
		align-items: flex-start;
		gap: 1.5rem;
		flex-wrap: wrap;
	}
	.top > div:first-child {
		flex: 1 1 24rem;
	}
	.state {
		font-size: 1.35rem;
		color: var(--soft);
		margin-top: 0.5rem;
	}
	.actions {
		display: flex;
		gap: 0.75rem;
	}
	.body {
		display: grid;
		grid-template-columns: 17rem minmax(0, 1fr);
		gap: 3rem;
		margin-top: 2rem;
	}
	dt {
		color: var(--soft);
		font-size: 0.9rem;
	}
	dd {
		padding-bottom: 0.6rem;
		margin-bottom: 0.6rem;
		border-bottom: 1px solid var(--line);
	}
	.notes {
		white-space: pre-line;
		overflow-wrap: anywhere;
	}
	.deletes {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		margin-top: 2.5rem;
	}
	h2:not(.asks) {
		margin: 1.5rem 0 0.5rem;
	}
	@media (max-width: 860px) {
		.body {
			grid-template-columns: minmax(0, 1fr);
			gap: 1.5rem;
		}
		.record {
			order: -1;
		}
	}
</style>
