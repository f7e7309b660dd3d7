<script lang="ts">
	import { onDestroy, untrack } from 'svelte';
	import { afterNavigate, goto, replaceState } from '$app/navigation';
	import { page } from '$app/state';
	import KeyboardStrip from '$lib/charts/KeyboardStrip.svelte';
	import { wishWords } from '$lib/tuning/curve';
	import { KIND_NAMES } from '$lib/tuning/kinds';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import VisitFrame from '$lib/visit/VisitFrame.svelte';
	import CurvePictures from '$lib/visit/curve/CurvePictures.svelte';
	import { draftOf, wordsOf } from '$lib/visit/curve/draft';
	import EarlierCurves from '$lib/visit/curve/EarlierCurves.svelte';
	import GivesWay from '$lib/visit/curve/GivesWay.svelte';
	import HearCurve from '$lib/visit/curve/HearCurve.svelte';
	import NoteNudge from '$lib/visit/curve/NoteNudge.svelte';
	import { Sheet } from '$lib/visit/curve/sheet.svelte';
	import { lastCurveId, sheetData } from '$lib/visit/curve/sheetData';
	import { newCurve } from '$lib/visit/begin';
	import { stretchByCurve } from '$lib/tuning/stretch';
	import { curveWorker } from '$lib/workers/curve.client';
	import { trustWords } from '$lib/visit/curve/words';
	import WishControls from '$lib/visit/curve/WishControls.svelte';

	let { data } = $props();
	const open = $derived(data.open);
	const { visit, instrument } = $derived(open);
	const worker = curveWorker();
	onDestroy(() => worker.close());
	const sheet = new Sheet(
		() => sheetData(open),
		untrack(() => draftOf(page.url.searchParams)),
		worker
	);
	$effect(() => sheet.drawBand());
	const versions = $derived([
		{ name: 'This curve', deviations: sheet.drawn },
		...(sheet.beside.deviations ? [{ name: sheet.beside.name, deviations: sheet.beside.deviations }] : [])
	]);

	// The draft lives in the address; the router takes none before the first navigation is over.
	let routed = $state(false);
	afterNavigate(() => (routed = true));
	$effect(() => {
		const words = sheet.isTaken ? '' : `?${wordsOf(sheet.wish)}`;
		if (!routed) return;
		const timer = setTimeout(() => {
			if (words !== location.search) replaceState(words || location.pathname, {});
		}, 150);
		return () => clearTimeout(timer);
	});

	async function take() {
		const drawn = newCurve(sheet.basis, sheet.wish, visit.id);
		open.replan({ stretch: stretchByCurve(drawn.id) }, drawn);
		await goto(`/visits/${visit.id}/plan`);
	}
	const keys = [
		{ keys: '← →', does: 'on the curve: the note before or after; with Shift an octave' },
		{ keys: '↑ ↓', does: 'on the curve: move the note by 0.1 cent; with Shift by 0.5' },
		{ keys: '?', does: 'show or hide this list' }
	];
</script>

<VisitFrame {open} stage="plan">
	{#snippet status()}
		<p><b>Curve sheet</b></p>
		<p class="soft">{sheet.isTaken ? 'as planned' : 'not taken yet'}</p>
	{/snippet}
	<div class="curve-sheet">
		<section class="wish">
			<h1 class="verdict">{wishWords(sheet.wish)}.</h1>
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
							: 'Nothing has been read of how it stands.')}
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
			<div class="go">
				{#if sheet.shift !== undefined && !sheet.isTaken}
					<p class="soft small">
						Strings read since it was taken would move it by up to {sheet.shift.toFixed(1)} cents: taking it again redraws
						it.
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
		<div class="pictures"><CurvePictures {sheet} /></div>
		<aside>
			<NoteNudge
				note={sheet.selected}
				cents={sheet.at}
				isHeld={sheet.held.includes(sheet.selected)}
				held={sheet.held}
				onnudge={(by) => sheet.hold(sheet.at + by)}
				onhold={(keep) => sheet.hold(keep ? sheet.at : undefined)}
				onselect={(note) => (sheet.selected = note)}
				onreleaseall={() => sheet.releaseAll()}
			/>
			<HearCurve
				note={sheet.selected}
				versions={versions.map(({ name, deviations }) => ({
					name: name[0].toUpperCase() + name.slice(1),
					targetOf: () => sheet.targetsOf(deviations)
				}))}
			/>
			<div>
				<h2 class="panel-heading">Worst places <span>where ears judge by it</span></h2>
				<GivesWay runs={sheet.shown} onselect={(note) => (sheet.selected = note)} />
			</div>
		</aside>
	</div>
	{#snippet strip()}
		<KeyboardStrip
			lowest={instrument.lowest}
			highest={instrument.highest}
			notes={sheet.summary.notes}
			current={sheet.selected}
			onselect={(note) => (sheet.selected = note)}
		>
			{#snippet hint()}<Shortcuts {keys} />{/snippet}
		</KeyboardStrip>
	{/snippet}
</VisitFrame>

<style>
	.curve-sheet {
		display: grid;
		grid-template-columns: 18.5rem minmax(0, 1fr) 17.5rem;
		height: 100%;
	}
	.wish {
		padding: 1rem 1.25rem 0;
		border-right: 1px solid var(--line);
		display: flex;
		flex-direction: column;
		gap: 0.7rem;
		overflow: auto;
	}
	h1 {
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
		position: sticky;
		bottom: 0;
		margin-top: auto;
		background: var(--ground);
		padding: 0.5rem 0 0.9rem;
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
	.pictures {
		display: grid;
		min-width: 0;
		min-height: 0;
	}
	aside {
		border-left: 1px solid var(--line);
		padding: 0.9rem 1.1rem;
		display: flex;
		flex-direction: column;
		gap: 0.9rem;
		overflow: auto;
	}
	@media (max-width: 1180px) {
		.curve-sheet {
			grid-template-columns: 16.5rem minmax(0, 1fr) 16rem;
		}
		.wish,
		aside {
			padding-inline: 0.9rem;
		}
	}
	@media (max-width: 999px), (max-height: 699px) {
		.curve-sheet {
			grid-template-columns: minmax(0, 1fr);
			height: auto;
		}
		.pictures {
			order: -1;
		}
		.wish {
			border-right: 0;
		}
		aside {
			border-left: 0;
		}
	}
</style>
