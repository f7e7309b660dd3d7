<script lang="ts">
	import { onDestroy, untrack } from 'svelte';
	import { afterNavigate, replaceState } from '$app/navigation';
	import { page } from '$app/state';
	import KeyboardStrip from '$lib/charts/KeyboardStrip.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import VisitFrame from '$lib/visit/VisitFrame.svelte';
	import CurvePictures from '$lib/visit/curve/CurvePictures.svelte';
	import { draftOf, wordsOf } from '$lib/visit/curve/draft';
	import GivesWay from '$lib/visit/curve/GivesWay.svelte';
	import HearCurve from '$lib/visit/curve/HearCurve.svelte';
	import NoteNudge from '$lib/visit/curve/NoteNudge.svelte';
	import WishColumn from '$lib/visit/curve/WishColumn.svelte';
	import { Sheet } from '$lib/visit/curve/sheet.svelte';
	import { sheetData } from '$lib/visit/curve/sheetData';
	import { curveWorker } from '$lib/workers/curve.client';

	let { data } = $props();
	const open = $derived(data.open);
	const { instrument } = $derived(open);
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

	const keys = [
		{ keys: '← →', does: 'on the curve: the note before or after; with Shift an octave' },
		{ keys: '↑ ↓', does: 'on the curve: move the note by 0.1 cent; with Shift by 0.5' },
		{ keys: '?', does: 'show or hide this list' }
	];
</script>

<VisitFrame {open} stage="plan">
	{#snippet status()}
		<p><b>Curve sheet</b>, {sheet.isTaken ? 'as planned' : 'not taken yet'}</p>
	{/snippet}
	<div class="curve-sheet">
		<WishColumn {open} {sheet} />
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
		aside {
			border-left: 0;
		}
	}
</style>
