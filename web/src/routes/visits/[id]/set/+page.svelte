<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { habitAt, USUAL_HABITS } from '@fendrel/core';
	import KeyboardStrip from '$lib/charts/KeyboardStrip.svelte';
	import SettleChart from '$lib/charts/SettleChart.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { counted } from '$lib/ui/format';
	import VisitFrame from '$lib/visit/VisitFrame.svelte';
	import EarPanel from '$lib/visit/set/EarPanel.svelte';
	import Lever from '$lib/visit/set/Lever.svelte';
	import LiveFigure from '$lib/visit/set/LiveFigure.svelte';
	import OrderList from '$lib/visit/set/OrderList.svelte';
	import SourceChoice from '$lib/visit/set/SourceChoice.svelte';
	import { SET_KEYS, setKeyAction } from '$lib/visit/set/keys';
	import Messages from '$lib/visit/set/Messages.svelte';
	import UnisonPanel from '$lib/visit/set/UnisonPanel.svelte';
	import { AUDIBLE } from '$lib/visit/set/unisonWords';
	import { Work } from '$lib/visit/set/work.svelte';
	import { roomState } from '$lib/visit/set/room';
	import { planFor } from '$lib/tuning/plan';

	let { data } = $props();
	// The work below belongs to this visit for as long as the page is open.
	const { visit, instrument, temperaments, measured, curve, habits, readings } = untrack(() => data);
	const temperament = temperaments.find(({ id }) => id === visit.temperamentId)!;
	const { lowest, highest } = instrument;
	const plan = planFor({ ...instrument, a4: visit.a4, temperament, stretch: visit.stretch, curve, measured });
	const work = new Work({ visit, instrument, plan, habits, readings });
	const { setting, listening, sync } = work;
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
	/** With several strings open the unison is the work; with one, only a false beat is worth the place. */
	const closer = $derived.by(() => {
		const heard = work.last.heard;
		if (!heard || heard.note !== setting.step.note || heard.strings !== setting.strings.indexes.length)
			return undefined;
		return heard.strings > 1 || heard.analysis.partials.some(({ depth }) => depth >= AUDIBLE) ? heard : undefined;
	});
</script>

<svelte:window {onkeydown} {onclick} />

<VisitFrame {visit} {instrument} temperament={temperament.name} stage="set">
	{#snippet status()}
		<p>
			<b>{room.title}</b>{#if room.detail}, {room.detail}{/if}
		</p>
		<p class={sync.trouble ? 'problem' : 'soft'} data-testid="saved">
			{#if sync.waiting}{counted(sync.waiting, 'reading')} waiting{:else}every reading saved{/if}
		</p>
	{/snippet}
	<div class="set">
		<aside class="order">
			<OrderList
				order={setting.order}
				index={setting.index}
				notes={setting.summary.notes}
				onselect={(note) => setting.goTo(note)}
			/>
		</aside>
		<section class="work">
			<SourceChoice {listening} />
			<LiveFigure
				note={setting.step.note}
				cents={setting.now}
				advice={setting.advice}
				tolerance={visit.tolerance}
				isSet={setting.isSet(setting.step.note)}
			/>
			<Messages {work} {room} closeHref="/visits/{visit.id}/close" />
			<div class="chart">
				<SettleChart
					blows={setting.blows}
					tolerance={visit.tolerance}
					moment={habitAt(USUAL_HABITS, setting.step.note).moment}
				/>
			</div>
			<div class="steps">
				<div class="strings" role="group" aria-label="Strings left unmuted">
					{#each setting.choices as choice (choice.name)}
						<button
							type="button"
							aria-pressed={choice.name === setting.strings.name}
							onclick={() => setting.chooseStrings(choice)}>{choice.label}</button
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
			{#if closer}<UnisonPanel heard={closer} a4={visit.a4} />{:else}<EarPanel step={setting.step} {plan} />{/if}
			{#if listening.simulated}<Lever onturn={(by) => work.turn(by)} onstrike={() => work.strike()} />{/if}
		</aside>
	</div>
	{#snippet strip()}
		<KeyboardStrip
			{lowest}
			{highest}
			notes={setting.summary.notes}
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
	.steps {
		display: flex;
		gap: 0.5rem;
		flex-wrap: wrap;
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
		padding: 1rem 1.25rem;
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
