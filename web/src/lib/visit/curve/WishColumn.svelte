<script lang="ts">
	import { goto } from '$app/navigation';
	import { wishWords } from '$lib/tuning/curve';
	import { KIND_NAMES } from '$lib/tuning/kinds';
	import { stretchByCurve } from '$lib/tuning/stretch';
	import { newCurve } from '../begin';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import EarlierCurves from './EarlierCurves.svelte';
	import type { Sheet } from './sheet.svelte';
	import { lastCurveId } from './sheetData';
	import WishControls from './WishControls.svelte';
	import { trustWords } from './curveWords';
	import { fixed } from '$lib/ui/format';

	let { open, sheet }: { open: KeyboardVisit; sheet: Sheet } = $props();
	const { visit, instrument } = $derived(open);

	async function take() {
		const drawn = newCurve(sheet.basis, sheet.wish, visit.id);
		open.replan({ stretch: stretchByCurve(drawn.id) }, drawn);
		await goto(`/visits/${visit.id}/plan`);
	}
</script>

<section aria-label="The curve that is wanted">
	<div class="wish">
		<h2 class="verdict">{wishWords(sheet.wish)}.</h2>
		<p class="soft small" data-testid="trust">
			{trustWords(sheet.basis, KIND_NAMES[instrument.kind].toLowerCase(), sheet.errors)}
			<a href="/instruments/{instrument.id}/scale">Its scale</a>
		</p>
		<WishControls bind:wish={sheet.wish} />
		<div>
			<button
				type="button"
				class="btn preset-outlined-surface-300-700"
				disabled={sheet.standing.length === 0}
				onclick={() => sheet.takeAsItWas()}>As this piano was</button
			>
			<p class="soft small">
				{sheet.failed ??
					sheet.closest ??
					(sheet.standing.length
						? `From ${sheet.standing.length} notes ${sheet.stands}.`
						: 'No reading shows how it stands.')}
			</p>
		</div>
		{#if open.about.curves.length}
			<EarlierCurves
				curves={open.about.curves}
				planned={open.curve?.id}
				lastVisits={lastCurveId(open)}
				onopen={(wish) => (sheet.wish = wish)}
			/>
		{/if}
	</div>
	<div class="go">
		{#if sheet.shift !== undefined && !sheet.isTaken}
			<p class="soft small">
				Strings read since it was taken would move it by up to {fixed(sheet.shift, 1)} cents. Take it again to redraw it.
			</p>
		{/if}
		<div class="buttons">
			<button type="button" class="btn preset-filled-brand" disabled={sheet.isTaken} onclick={take}
				>{sheet.isTaken ? 'The plan’s curve' : 'Take this curve'}</button
			>
			{#if sheet.isTaken}<a class="btn preset-outlined-surface-300-700" href="/visits/{visit.id}/plan">To Plan</a>
			{:else}<button
					type="button"
					class="btn preset-outlined-surface-300-700"
					onclick={() => (sheet.wish = sheet.asPlanned())}>As planned</button
				>{/if}
		</div>
	</div>
</section>

<style>
	section {
		display: grid;
		grid-template-rows: minmax(0, 1fr) auto;
		border-right: 1px solid var(--line);
		min-height: 0;
	}
	.wish {
		padding: 0.9rem 1.25rem 0.4rem;
		display: flex;
		flex-direction: column;
		gap: 0.6rem;
		min-height: 0;
		overflow: auto;
	}
	h2 {
		font-size: 1.45rem;
	}
	.small {
		font-size: 0.86rem;
		line-height: 1.35;
	}
	.small a {
		color: var(--felt);
		text-decoration: underline;
	}
	.go {
		border-top: 1px solid var(--line);
		padding: 0.5rem 1.25rem 0.9rem;
		display: grid;
		gap: 0.5rem;
	}
	.buttons {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 0.4rem;
	}
	.buttons .btn {
		padding-inline: 0.6rem;
	}
	@media (max-width: 1180px) {
		.wish,
		.go {
			padding-inline: 0.9rem;
		}
	}
	@media (max-width: 999px), (max-height: 699px) {
		section {
			border-right: 0;
		}
	}
</style>
