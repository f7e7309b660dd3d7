<script lang="ts">
	import { isEarly, type BearingPlan, type ListeningHabits, type MovedPins } from '@fendrel/core';
	import { onMount, untrack } from 'svelte';
	import HowRead from '$lib/listening/HowRead.svelte';
	import RoomStatus from '$lib/listening/RoomStatus.svelte';
	import SourceChoice from '$lib/listening/SourceChoice.svelte';
	import { roomState } from '$lib/listening/room';
	import SettleChart from '$lib/charts/SettleChart.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { leaveButton } from '$lib/ui/keys';
	import KeyboardStrip from '$lib/charts/KeyboardStrip.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import Beside from './Beside.svelte';
	import Lever from '$lib/listening/Lever.svelte';
	import HandsFree from './HandsFree.svelte';
	import Holding from './Holding.svelte';
	import LiveFigure from './LiveFigure.svelte';
	import Messages from './Messages.svelte';
	import OrderList from './OrderList.svelte';
	import { SET_KEYS, setKeyAction } from './setKeys';
	import { briefOf } from '../brief';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { settingsOf } from '../workshopSettings';
	import type { RaiseWork } from './raiseWork.svelte';
	import { RAISED_WITHIN } from './setting.svelte';
	import StepButtons from './StepButtons.svelte';
	import { SetSession } from './session.svelte';
	import { keepTimeOfEnd, timeOfEnd } from './timeOfEnd';

	interface Props {
		open: KeyboardVisit;
		/** A pass of a raise, in place of the tuning. */
		raise: RaiseWork | undefined;
		/** The bearing plan, where the temperament is set by one. */
		bearing: BearingPlan | undefined;
	}
	let { open, raise, bearing }: Props = $props();
	const { visit, family, body, session } = untrack(() => {
		const { visit, plan, family, body, record, moved } = open;
		const onMoved = (now: MovedPins) => open.movePins(now);
		const { twin } = open.instrument;
		const { habits } = open.about;
		const { touch: touched } = record.report.plan ?? {};
		const touch = touched ? new Map(touched.map(({ note, above }) => [note, above])) : undefined;
		const order = record.report.plan?.order ?? undefined;
		const { unison } = settingsOf(open).purposes[briefOf(open).purpose];
		const hasPins = isEarly(open.instrument.kind);
		const ground = { visit, family, body, twin, plan, habits, record, moved };
		const session = new SetSession({ ...ground, onMoved, raise, touch, order, bearing, unison, hasPins });
		return { visit, family, body, session };
	});
	/** Only what was found on arrival can hold a plan back. */
	const looked = $derived(open.record.report.arrival.parts.size > 0);
	const { setting, listening } = session;
	onMount(() => session.open());
	const room = $derived(roomState(listening));
	function onkept(habits: ListeningHabits) {
		open.listenBy(habits);
		session.listenBy(habits);
	}

	let until = $state<number | undefined>();
	onMount(() => void (until = timeOfEnd(visit.id)));
	function onuntil(at: number | undefined) {
		until = at;
		keepTimeOfEnd(visit.id, at);
	}

	function onkeydown(event: KeyboardEvent) {
		const action = setKeyAction(event);
		if (!action) return;
		event.preventDefault();
		session.do(action);
	}
</script>

<svelte:window {onkeydown} onclick={leaveButton} />

<VisitFrame {open} stage="set" onundone={(note) => setting.goTo(note)}>
	{#snippet status()}<RoomStatus {room} />{/snippet}
	{#if looked}
		{#await import('./BarredNotice.svelte') then { default: BarredNotice }}
			<BarredNotice {open} planHref="/visits/{visit.id}/plan" />
		{/await}
	{/if}
	<div
		class="set"
		class:large={session.isLarge}
		data-sounding={setting.sounding}
		data-told={setting.told}
		data-read={setting.read}
		data-looks={session.last.looks}
	>
		<aside class="order" aria-label="Order of work">
			<OrderList
				order={setting.order}
				index={setting.index}
				notes={setting.records}
				overOf={(note) => raise?.over(note) ?? 0}
				nameOf={family.groupName}
				isDone={(step) => setting.isDone(step)}
				onselect={(note) => setting.goTo(note)}
				isFinding={session.asked === 'find'}
				onfound={() => (session.asked = undefined)}
			/>
		</aside>
		<section class="work">
			<SourceChoice {listening}>
				<HowRead habits={listening.habits} {onkept} />
			</SourceChoice>
			<HandsFree {session} {until} isRaise={raise !== undefined} />
			<LiveFigure
				note={setting.step.note}
				cents={setting.strikes.now}
				instruction={setting.instruction}
				isSure={setting.asked === undefined}
				isCertain={setting.strikes.isCertain}
				isHidden={session.isByEar}
				instead={session.instead}
				isLarge={session.isLarge}
				instructions={family.instructions}
			/>
			<Messages {session} {room} closeHref="/visits/{visit.id}/close" />
			<div class="chart">
				{#if !session.isByEar}<SettleChart
						strikes={setting.strikes.shown}
						tolerance={raise ? 2 * RAISED_WITHIN : visit.tolerance}
						moment={session.habit.moment}
						partial={session.habit.partial}
						stability={setting.strikes.stability}
					/>{/if}
			</div>
			<Holding {session} {open} isRaise={raise !== undefined} />
			<StepButtons {setting} isRaise={raise !== undefined} />
		</section>
		<aside class="beside" aria-label="Beside the figure">
			{#if raise}
				<!-- Most visits have no raise: what shows one comes when there is one. -->
				{#await import('./RaisePanel.svelte') then { default: RaisePanel }}
					<RaisePanel
						{open}
						{raise}
						note={setting.step.note}
						sounder={setting.open.sounders[0]}
						onselect={(note) => setting.goTo(note)}
					/>
				{:catch}<p class="problem" role="alert">The pass could not be loaded. Reload the page.</p>
				{/await}
			{:else}
				<Beside {session} {open} {bearing} a4={visit.a4} />
			{/if}
			{#if listening.simulated}
				<Lever onturn={(by) => session.turn(by)} onstrike={() => session.strike()} />
			{/if}
		</aside>
	</div>
	{#if session.asked === 'time' && !raise}
		{#await import('./TimeDialog.svelte') then { default: TimeDialog }}
			<TimeDialog {session} {open} {until} {onuntil} onclose={() => (session.asked = undefined)} />
		{:catch}<p class="problem" role="alert">The clock could not be loaded. Reload the page.</p>{/await}
	{:else if session.asked === 'fault'}
		{#await import('./FaultDialog.svelte') then { default: FaultDialog }}
			<FaultDialog {session} {open} onclose={() => (session.asked = undefined)} />
		{:catch}<p class="problem" role="alert">The faults could not be loaded. Reload the page.</p>{/await}
	{/if}
	{#snippet strip()}
		<KeyboardStrip
			lowest={body.lowest}
			highest={body.highest}
			notes={session.shownRecords}
			current={setting.step.note}
			onselect={(note) => setting.goTo(note)}
		>
			{#snippet hint()}
				<span class="soft hint"
					>Pedal or Enter: next. Shift Enter: keep as it stands. <Shortcuts keys={SET_KEYS} /></span
				>
			{/snippet}
		</KeyboardStrip>
	{/snippet}
</VisitFrame>

<style>
	.set {
		display: grid;
		grid-template-columns: 14.5rem minmax(0, 1fr) 20rem;
		height: 100%;
	}
	.order {
		border-right: 1px solid var(--line);
		min-height: 0;
	}
	.work {
		display: flex;
		flex-direction: column;
		gap: 0.6rem;
		padding: 0.9rem 1.5rem 0.9rem;
		min-height: 0;
		min-width: 0;
	}
	.chart {
		flex: 1;
		min-height: 160px;
	}
	.beside {
		border-left: 1px solid var(--line);
		padding: 0.4rem 1.25rem 1rem;
		display: flex;
		flex-direction: column;
		justify-content: space-between;
		gap: 1rem;
		min-height: 0;
		overflow: auto;
	}
	@media (max-width: 1100px) {
		.set {
			grid-template-columns: 12.5rem minmax(0, 1fr) 15rem;
		}
		.work {
			padding: 0.75rem 1rem;
		}
		.beside {
			padding: 0.75rem;
		}
	}
	@media (max-width: 999px), (max-height: 699px) {
		.chart {
			height: 260px;
			flex: none;
		}
	}
	@media (max-width: 820px) {
		.set {
			grid-template-columns: minmax(0, 1fr);
			height: auto;
		}
		.order {
			display: none;
		}
		.beside {
			border-left: 0;
			border-top: 1px solid var(--line);
		}
		.hint {
			display: none;
		}
	}
	.set.large {
		grid-template-columns: minmax(0, 1fr);
	}
	.large .order,
	.large .beside,
	.large .chart,
	.large :global(.source) {
		display: none;
	}
</style>
