<script lang="ts" generics="Body">
	import { noteName, readSinceBroken, type BearingPlan } from '@fendrel/core';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { earNotes } from './earNotes';
	import ListenForPanel from './ListenForPanel.svelte';
	import type { SetSession, View } from './session.svelte';

	interface Props {
		session: SetSession<Body>;
		open: KeyboardVisit;
		bearing: BearingPlan | undefined;
		a4: number;
	}
	let { session, open, bearing, a4 }: Props = $props();
	const step = $derived(session.setting.step);
	const pair = $derived(session.setting.together.pair);
	/** Only one note is touched: whoever does that is led by the hand. */
	const oneNote = $derived.by(() => {
		const touch = open.record.report.plan?.touch;
		return touch?.length === 1 && step.section === 'touch' ? touch[0] : undefined;
	});
	const sounder = $derived(session.setting.open.sounders[0]);
	const ear = $derived(earNotes(open, session.setting.order));
	/** Readings of a new string in place of one that broke in this visit. */
	const replaced = $derived(readSinceBroken(session.record.report, sounder));
	/** Intervals that the bearing plan makes audible with this note, but for the one that it is set by. */
	const checks = $derived.by(() => {
		if (step.section !== 'temperament' || step.unison) return [];
		const all = bearing?.steps.find(({ note }) => note === step.note)?.checks ?? [];
		return all.filter(({ edge }) => edge.lower !== step.against && edge.upper !== step.against);
	});
	const VIEW_NAMES: Record<View, string> = { 'by ear': 'By ear', unison: 'Unison', partials: 'Partials', pins: 'Pins' };
</script>

<div>
	<div class="views" role="group" aria-label="What stands beside the figure">
		{#each session.views as view (view)}
			<button type="button" aria-pressed={session.view === view} onclick={() => session.show(view)}
				>{VIEW_NAMES[view]}</button
			>
		{/each}
	</div>
	{#if replaced}
		{#await import('./BrokenString.svelte') then { default: BrokenString }}
			<BrokenString {session} {open} {sounder} readings={replaced} />
		{:catch}<p class="problem" role="alert">What a new string needs could not be loaded. Reload the page.</p>{/await}
	{:else if session.view === 'pins'}
		{#await import('./PinsPanel.svelte') then { default: PinsPanel }}<PinsPanel {session} {open} />
		{:catch}<p class="problem" role="alert">The pins could not be loaded. Reload the page.</p>{/await}
	{:else if session.view === 'partials'}
		<!-- Seldom opened, and not light: it comes when somebody looks. -->
		{#await import('./PartialsPanel.svelte') then { default: PartialsPanel }}
			<PartialsPanel
				last={session.last}
				{a4}
				chosen={session.partial}
				onchoose={(partial) => session.choosePartial(partial)}
			/>
		{:catch}<p class="problem" role="alert">The partials could not be loaded. Reload the page.</p>{/await}
	{:else if pair}
		{#await import('./PairPanel.svelte') then { default: PairPanel }}<PairPanel {session} {pair} {a4} />
		{:catch}<p class="problem" role="alert">The pair method could not be loaded. Reload the page.</p>{/await}
	{:else if oneNote && session.view !== 'unison'}
		{#await import('./OneNote.svelte') then { default: OneNote }}<OneNote {session} {open} above={oneNote.above} />
		{:catch}<p class="problem" role="alert">The guide could not be loaded. Reload the page.</p>{/await}
	{:else if step.unison}
		{#await import('./UnisonSteps.svelte') then { default: UnisonSteps }}<UnisonSteps {session} {a4} />
		{:catch}<p class="problem" role="alert">The unison could not be loaded. Reload the page.</p>{/await}
	{:else if session.view === 'by ear'}
		<ListenForPanel {step} plan={session.plan} />
		{#if checks.length}
			{#await import('./BearingChecks.svelte') then { default: BearingChecks }}<BearingChecks {checks} />{/await}
		{/if}
		{#if ear.length}
			{#await import('./EarPanel.svelte') then { default: EarPanel }}<EarPanel {session} {open} {ear} />{/await}
		{/if}
	{:else if session.unison}
		{#await import('./UnisonPanel.svelte') then { default: UnisonPanel }}
			{#if session.unison}<UnisonPanel heard={session.unison} {a4} />{/if}
		{:catch}<p class="problem" role="alert">The unison could not be loaded. Reload the page.</p>{/await}
	{:else}
		<p class="soft">
			Strike {noteName(step.note)} and let it sound for a second. The unmuted strings are told apart here.
		</p>
	{/if}
</div>

<style>
	.views {
		display: grid;
		grid-auto-flow: column;
		grid-auto-columns: 1fr;
		margin-bottom: 0.7rem;
		border-bottom: 1px solid var(--line);
	}
	button {
		min-height: 44px;
		cursor: pointer;
		color: var(--soft);
		border-bottom: 3px solid transparent;
	}
	button[aria-pressed='true'] {
		color: var(--ink);
		font-weight: 700;
		border-bottom-color: var(--felt);
	}
</style>
