<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { noteName } from '@fendrel/core';
	import HabitsDialog from '$lib/listening/HabitsDialog.svelte';
	import SettleChart from '$lib/charts/SettleChart.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import Strip from '$lib/visit/Strip.svelte';
	import VisitFrame from '$lib/visit/VisitFrame.svelte';
	import EarPanel from '$lib/visit/set/EarPanel.svelte';
	import Lever from '$lib/visit/set/Lever.svelte';
	import LiveFigure from '$lib/visit/set/LiveFigure.svelte';
	import OrderList from '$lib/visit/set/OrderList.svelte';
	import SourceChoice from '$lib/listening/SourceChoice.svelte';
	import { SET_KEYS, setKeyAction } from '$lib/visit/set/keys';
	import Messages from '$lib/visit/set/Messages.svelte';
	import UnisonPanel from '$lib/visit/set/UnisonPanel.svelte';
	import PartialsPanel from '$lib/visit/set/PartialsPanel.svelte';
	import { VIEWS, Work, type View } from '$lib/visit/set/work.svelte';
	import type { MovedPins } from '$lib/handover/record';
	import { roomState } from '$lib/listening/room';
	import { familyOf } from '$lib/tuning/family';
	import { planFor } from '$lib/tuning/plan';

	let { data } = $props();
	// The work below stands on this plan for as long as the page is open; another plan makes the page anew.
	const { open } = untrack(() => data);
	const { visit, instrument, temperament, measured, curve, record, moved } = open;
	const { habits } = open.about;
	const { family, body } = familyOf(instrument);
	const { twin } = instrument;
	const plan = planFor({ ...instrument, a4: visit.a4, temperament, stretch: visit.stretch, curve, measured });
	const onMoved = (now: MovedPins) => open.movePins(now);
	const work = new Work({ visit, family, body, twin, plan, habits, record, moved, onMoved });
	const { setting, listening } = work;
	onMount(() => work.open());

	function onkeydown(event: KeyboardEvent) {
		const action = setKeyAction(event);
		if (!action) return;
		event.preventDefault();
		work.do(action);
	}
	/** A finger or mouse leaves no focus on a button: the next Space strikes, the next Enter goes on. */
	function onclick({ detail, target }: MouseEvent) {
		if (detail > 0) (target as Element).closest<HTMLElement>('button')?.blur();
	}
	const room = $derived(roomState(listening));
	let showHabits = $state(false);
	const VIEW_NAMES: Record<View, string> = { ear: 'By ear', unison: 'Unison', partials: 'Partials' };
</script>

<svelte:window {onkeydown} {onclick} />

<VisitFrame {open} stage="set">
	{#snippet status()}
		<p>
			<b>{room.title}</b>{#if room.detail}, {room.detail}{/if}
		</p>
	{/snippet}
	<div class="set" data-sounding={setting.sounding} data-told={setting.told} data-looks={work.last.looks}>
		<aside class="order">
			<OrderList
				order={setting.order}
				index={setting.index}
				notes={setting.summary.notes}
				nameOf={family.groupName}
				onselect={(note) => setting.goTo(note)}
			/>
		</aside>
		<section class="work">
			<div class="sources">
				<SourceChoice {listening} />
				<button type="button" class="how-read" onclick={() => (showHabits = true)}>How a strike is read</button>
			</div>
			<LiveFigure
				note={setting.step.note}
				cents={setting.now}
				advice={setting.advice}
				tolerance={visit.tolerance}
				isSet={setting.isSet(setting.step.note)}
				instructions={family.instructions}
			/>
			<Messages {work} {room} closeHref="/visits/{visit.id}/close" />
			<div class="chart">
				<SettleChart
					strikes={setting.strikes}
					tolerance={visit.tolerance}
					moment={work.habit.moment}
					partial={work.habit.partial}
					stability={setting.stability}
				/>
			</div>
			<div class="steps">
				<div class="strings" role="group" aria-label="Strings left unmuted">
					{#each setting.choices as choice (choice.id)}
						<button type="button" aria-pressed={choice.id === setting.open.id} onclick={() => setting.leaveOpen(choice)}
							>{choice.label}</button
						>
					{/each}
				</div>
				<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => setting.previous()}
					>Back</button
				>
				<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => setting.keep()}
					>Keep as it stands</button
				>
				<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => setting.next()}>Next</button>
			</div>
		</section>
		<aside class="ear">
			<div>
				<div class="views" role="group" aria-label="Beside the figure">
					{#each VIEWS as view (view)}
						<button type="button" aria-pressed={work.view === view} onclick={() => work.show(view)}
							>{VIEW_NAMES[view]}</button
						>
					{/each}
				</div>
				{#if work.view === 'partials'}
					<PartialsPanel
						last={work.last}
						a4={visit.a4}
						chosen={work.partial}
						onchoose={(partial) => work.choosePartial(partial)}
					/>
				{:else if work.view === 'unison'}
					{#if work.unison}<UnisonPanel heard={work.unison} a4={visit.a4} />
					{:else}
						<p class="soft">
							Strike {noteName(setting.step.note)} and let it sound for a second: the strings that are left unmuted are told
							apart here.
						</p>
					{/if}
				{:else}<EarPanel step={setting.step} {plan} />{/if}
			</div>
			{#if listening.simulated}<Lever onturn={(by) => work.turn(by)} onstrike={() => work.strike()} />{/if}
		</aside>
	</div>
	<HabitsDialog
		habits={listening.habits}
		bind:open={showHabits}
		onkept={(kept) => {
			open.listenBy(kept);
			work.listenBy(kept);
		}}
	/>
	{#snippet strip()}
		<Strip
			{family}
			{body}
			notes={setting.summary.notes}
			current={setting.step.note}
			onselect={(note) => setting.goTo(note)}
		>
			{#snippet hint()}
				<span class="soft hint"
					>Pedal or Enter: next. Shift Enter: keep as it stands. <Shortcuts keys={SET_KEYS} /></span
				>
			{/snippet}
		</Strip>
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
	.steps {
		display: flex;
		gap: 0.5rem;
		flex-wrap: wrap;
	}
	.sources {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 0 1rem;
	}
	.how-read {
		min-height: 44px;
		font-size: 0.9rem;
		color: var(--soft);
		text-decoration: underline;
		text-underline-offset: 3px;
		cursor: pointer;
	}
	.views {
		display: grid;
		grid-template-columns: repeat(3, 1fr);
		margin-bottom: 0.7rem;
		border-bottom: 1px solid var(--line);
	}
	.views button {
		min-height: 44px;
		cursor: pointer;
		color: var(--soft);
		border-bottom: 3px solid transparent;
	}
	.views button[aria-pressed='true'] {
		color: var(--ink);
		font-weight: 700;
		border-bottom-color: var(--felt);
	}
	.strings {
		display: flex;
		margin-right: auto;
		border: 1px solid var(--line);
		border-radius: var(--radius-base);
		overflow: hidden;
	}
	.strings button {
		min-height: 42px;
		padding: 0 0.8rem;
		cursor: pointer;
	}
	.strings button[aria-pressed='true'] {
		background: var(--felt-wash);
		font-weight: 700;
	}
	.ear {
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
		.ear {
			padding: 0.75rem;
		}
		.steps .btn {
			padding-inline: 0.65rem;
		}
		.strings button {
			padding: 0 0.5rem;
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
		.ear {
			border-left: 0;
			border-top: 1px solid var(--line);
		}
		.hint {
			display: none;
		}
	}
</style>
