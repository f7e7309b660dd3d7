<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { innerHeight } from 'svelte/reactivity/window';
	import { curveErrors, likestWish, PRIORITIES, summariseVisit } from '@fendrel/core';
	import { afterNavigate, goto, invalidateAll, replaceState } from '$app/navigation';
	import { page } from '$app/state';
	import CurveChart from '$lib/charts/CurveChart.svelte';
	import KeyboardStrip from '$lib/charts/KeyboardStrip.svelte';
	import IntervalLines from '$lib/charts/IntervalLines.svelte';
	import { BALANCED, curveAt, drawCurve, solverFor, wishOf, wishWords, type CurveChoice } from '$lib/tuning/curve';
	import { KIND_NAMES } from '$lib/tuning/kinds';
	import { planFor } from '$lib/tuning/plan';
	import { stringsOfInstrument } from '$lib/tuning/strings';
	import { runsOf } from '$lib/tuning/stretchWords';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { onShortDay, signed } from '$lib/ui/format';
	import VisitFrame from '$lib/visit/VisitFrame.svelte';
	import { draftOf, isSameWish, wordsOf } from '$lib/visit/curve/draft';
	import GivesWay from '$lib/visit/curve/GivesWay.svelte';
	import HearCurve from '$lib/visit/curve/HearCurve.svelte';
	import NoteNudge from '$lib/visit/curve/NoteNudge.svelte';
	import { likenessWords, trustWords } from '$lib/visit/curve/words';
	import WishControls from '$lib/visit/curve/WishControls.svelte';
	import { deviationsNow } from '$lib/visit/deviations';
	import { takeCurve } from '$lib/visit/requests';

	let { data } = $props();
	const { lowest, highest, kind } = $derived(data.instrument);
	const temperament = $derived(data.temperaments.find(({ id }) => id === data.visit.temperamentId)!);
	const basis = $derived({ kind, lowest, highest, measured: data.measured });
	const strings = $derived(stringsOfInstrument(basis));
	const solver = $derived(solverFor(basis));

	const taken = $derived(data.curve);
	const start = (): CurveChoice => {
		if (taken) return taken.wish;
		const lead = PRIORITIES.find(({ id }) => id === data.visit.stretch)?.id;
		return lead ? { ...BALANCED, lead } : BALANCED;
	};
	let wish = $state.raw(untrack(() => draftOf(page.url.searchParams) ?? start()));
	const drawn = $derived(drawCurve(basis, wish));
	/** How far strings that were read since it was taken would move the plan's curve; undefined for another wish. */
	const shift = $derived(
		taken && isSameWish(taken.wish, wish)
			? Math.max(...drawn.map((each, i) => Math.abs(each - curveAt(taken, lowest + i))))
			: undefined
	);
	/** Less than this no string would be turned for. */
	const SETTLED = 0.3;
	const isTaken = $derived(shift !== undefined && shift < SETTLED);

	// The band takes several times as long as the curve, and nobody reads it while the curve moves.
	let errors = $state.raw<readonly number[]>([]);
	$effect(() => {
		const job = { solver, wish: wishOf(wish), strings };
		const timer = setTimeout(() => (errors = curveErrors(job.solver, job.wish, job.strings)), errors.length ? 120 : 0);
		return () => clearTimeout(timer);
	});

	let besideId = $state(untrack(() => (data.curve ? 'taken' : 'none')));
	const besides = $derived([
		{ id: 'none', name: 'nothing', deviations: undefined },
		...(taken ? [{ id: 'taken', name: 'the plan’s curve', deviations: taken.deviations }] : []),
		...data.curves
			.filter(({ id }) => id !== taken?.id)
			.slice(0, 12)
			.map((curve) => ({
				id: curve.id,
				name: `${curve.id === data.lastCurveId ? 'last visit’s' : 'curve of'} ${onShortDay(curve.madeAt)}`,
				deviations: drawn.map((_, i) => curveAt(curve, lowest + i))
			})),
		{ id: 'flat', name: 'no stretch', deviations: drawn.map(() => 0) },
		...PRIORITIES.map(({ id, name }) => ({ id, name, deviations: drawCurve(basis, { ...BALANCED, lead: id }) }))
	]);
	const beside = $derived(besides.find(({ id }) => id === besideId) ?? besides[0]);

	const GROUPS = [
		{ name: 'Octaves', kinds: ['2:1', '4:2', '6:3', '8:4', '10:5'] },
		{ name: 'Wider', kinds: ['4:1', '8:1', '3:1', '6:2'] },
		{ name: 'Fifths, fourths', kinds: ['3:2', '6:4', '4:3'] },
		{ name: 'Thirds', kinds: ['5:4'] }
	];
	let group = $state.raw(GROUPS[0]);
	const runs = $derived(runsOf((note) => curveAt({ lowest, deviations: drawn }, note), basis, strings, data.visit.a4));
	const shown = $derived(runs.filter(({ kind: { name } }) => group.kinds.includes(name)));

	let selected = $state(untrack(() => Math.min(Math.max(60, data.instrument.lowest), data.instrument.highest)));
	/** Both pictures are to stand on a tablet's screen. */
	const low = $derived((innerHeight.current ?? 800) < 790);
	const held = $derived(Object.keys(wish.held).map(Number));
	const at = $derived(drawn[selected - lowest]);
	function hold(value: number | undefined) {
		const { [selected]: _, ...others } = wish.held;
		wish = { ...wish, held: value === undefined ? others : { ...others, [selected]: Number(value.toFixed(2)) } };
	}

	const standing = $derived(data.standing.notes);
	/** Notes are read at any pitch: the picture shows them at the curve's own level. */
	const standingLevel = $derived.by(() => {
		const off = standing
			.filter(({ note }) => note >= lowest && note <= highest)
			.map(({ note, cents }) => cents - curveAt({ lowest, deviations: drawn }, note))
			.sort((a, b) => a - b);
		return off[Math.floor(off.length / 2)] ?? 0;
	});
	const standsWord = $derived(
		data.standing.by === 'found' ? 'as it was found' : `as it was left ${onShortDay(data.standing.at)}`
	);
	let likeness = $state<string | undefined>();
	function likeIt() {
		const found = likestWish(
			solver,
			standing.map(({ note, cents }) => ({ note, deviation: cents as never }))
		);
		likeness = likenessWords(found, standsWord);
		if (!found) return;
		const { priority, blend, topStretch } = found.wish;
		wish = {
			lead: priority.id,
			with: blend?.with.id ?? null,
			share: Math.round(100 * (blend?.share ?? 0)) / 100,
			top: Math.min(Math.max(Math.round(2 * topStretch) / 2, -10), 30),
			held: {}
		};
	}

	const versions = $derived(
		[
			{ name: 'This curve', deviations: drawn as readonly number[] },
			...(beside.deviations ? [{ ...beside, deviations: beside.deviations }] : [])
		].map(({ name, deviations }) => ({
			name: name[0].toUpperCase() + name.slice(1),
			targetOf: () => planFor({ ...basis, a4: data.visit.a4, temperament, curve: { lowest, deviations } }).targetOf
		}))
	);

	/** Until the page lives its choices do nothing: better to show that than to lose one. */
	let alive = $state(false);
	onMount(() => {
		alive = true;
	});
	// The router refuses a shallow address before the first navigation is over.
	let routed = $state(false);
	afterNavigate(() => (routed = true));
	$effect(() => {
		const words = isTaken ? '' : `?${wordsOf(wish)}`;
		if (!routed) return;
		const timer = setTimeout(() => {
			if (words !== location.search) replaceState(words || location.pathname, {});
		}, 150);
		return () => clearTimeout(timer);
	});

	let saving = $state(false);
	let problem = $state<string | undefined>();
	async function take() {
		saving = true;
		const answer = await takeCurve(data.visit.id, wish);
		problem = 'problem' in answer ? answer.problem : undefined;
		if (!problem) {
			await invalidateAll();
			await goto(`/visits/${data.visit.id}/plan`);
		}
		saving = false;
	}
	const plan = $derived(planFor({ ...basis, a4: data.visit.a4, temperament, curve: { lowest, deviations: drawn } }));
	const summary = $derived(summariseVisit(deviationsNow(data.readings, plan), lowest, highest));
	const keys = [
		{ keys: '← →', does: 'on the curve: the note before or after; with Shift an octave' },
		{ keys: '↑ ↓', does: 'on the curve: move the note by 0.1 cent; with Shift by 0.5' },
		{ keys: '?', does: 'show or hide this list' }
	];
</script>

<VisitFrame visit={data.visit} instrument={data.instrument} temperament={temperament.name} stage="plan">
	{#snippet status()}
		<p><b>Curve sheet</b></p>
		<p class="soft">{isTaken ? 'as planned' : 'not taken yet'}</p>
	{/snippet}
	<div class="curve-sheet">
		<section class="wish">
			<h1 class="verdict">{wishWords(wish)}.</h1>
			<p class="soft small" data-testid="trust">
				{trustWords(basis, KIND_NAMES[kind].toLowerCase(), errors)}
				<a href="/instruments/{data.instrument.id}/scale">Its scale</a>
			</p>
			<WishControls bind:wish disabled={!alive} />
			<div>
				<button
					type="button"
					class="btn preset-outlined-surface-300-700"
					disabled={!alive || standing.length === 0}
					onclick={likeIt}>Like this piano was</button
				>
				<p class="soft small">
					{likeness ??
						(standing.length
							? `From ${standing.length} notes ${standsWord}.`
							: 'Nothing has been read of how it stands.')}
				</p>
			</div>
			{#if data.curves.length}
				<details>
					<summary>Earlier curves <span class="soft">({data.curves.length})</span></summary>
					<ul>
						{#each data.curves as curve (curve.id)}
							<li>
								<span
									>{onShortDay(curve.madeAt)}{curve.id === taken?.id ? ', the plan’s' : ''}{curve.id ===
									data.lastCurveId
										? ', last visit’s'
										: ''}<br /><span class="soft">{wishWords(curve.wish)}; {curve.notesRead} notes read</span></span
								>
								<button type="button" disabled={!alive} onclick={() => (wish = curve.wish)}>Open</button>
							</li>
						{/each}
					</ul>
				</details>
			{/if}
			<div class="go">
				{#if problem}<p class="notice" role="alert">{problem}</p>{/if}
				{#if shift !== undefined && !isTaken}
					<p class="soft small">
						Strings read since it was taken would move it by up to {shift.toFixed(1)} cents: taking it again redraws it.
					</p>
				{/if}
				<div class="buttons">
					<button type="button" class="btn preset-filled-brand" disabled={!alive || saving || isTaken} onclick={take}
						>{isTaken ? 'The plan’s curve' : 'Take this curve'}</button
					>
					{#if isTaken}<a class="btn preset-outlined-surface-300-700" href="/visits/{data.visit.id}/plan">To Plan</a>
					{:else}<button
							type="button"
							class="btn preset-outlined-surface-300-700"
							disabled={!alive}
							onclick={() => (wish = start())}>As planned</button
						>{/if}
				</div>
			</div>
		</section>
		<section class="pictures">
			<div class="heading">
				<h2><b>How far from equal?</b> <span>cents, temperament aside</span></h2>
				<label class="soft beside"
					>beside <select class="select fit" aria-label="Compare with" bind:value={besideId}>
						{#each besides as { id, name } (id)}<option value={id}>{name}</option>{/each}
					</select></label
				>
			</div>
			<CurveChart
				data={{
					lowest,
					highest,
					drawn,
					errors,
					beside: beside.deviations,
					standing: standing.map(({ note, cents }) => ({ note, cents: cents - standingLevel })),
					held
				}}
				besideName={beside.name}
				{selected}
				height={low ? 185 : 225}
				onselect={(note) => (selected = note)}
				onnudge={(by) => hold(at + by)}
			/>
			<p class="key-line soft">
				shaded: what is not known of the strings{#if beside.deviations}; dashed: {beside.name}{/if}{#if standing.length};
					rings: {standsWord}, moved by {signed(-standingLevel)}{/if}{#if held.length}; squares: kept by ear{/if}
			</p>
			<div class="heading">
				<h2><b>What gives way?</b> <span>beats per second, + wide</span></h2>
				<div class="groups" role="group" aria-label="Which intervals">
					{#each GROUPS as each (each.name)}
						<button type="button" aria-pressed={group === each} onclick={() => (group = each)}>{each.name}</button>
					{/each}
				</div>
			</div>
			<IntervalLines runs={shown} {lowest} {highest} {selected} height={low ? 160 : 190} />
		</section>
		<aside>
			<NoteNudge
				note={selected}
				cents={at}
				isHeld={held.includes(selected)}
				{held}
				disabled={!alive}
				onnudge={(by) => hold(at + by)}
				onhold={(keep) => hold(keep ? at : undefined)}
				onselect={(note) => (selected = note)}
				onreleaseall={() => (wish = { ...wish, held: {} })}
			/>
			<HearCurve note={selected} {versions} />
			<div>
				<h2 class="panel-heading">Worst places <span>where ears judge by it</span></h2>
				<GivesWay runs={shown} onselect={(note) => (selected = note)} />
			</div>
		</aside>
	</div>
	{#snippet strip()}
		<KeyboardStrip {lowest} {highest} notes={summary.notes} current={selected} onselect={(note) => (selected = note)}>
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
	summary {
		cursor: pointer;
		min-height: 32px;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 0.5rem;
		font-size: 0.86rem;
		line-height: 1.3;
		padding: 0.35rem 0;
		border-top: 1px solid var(--line);
	}
	li button {
		min-height: 40px;
		padding: 0 0.5rem;
		cursor: pointer;
		color: var(--felt);
		text-decoration: underline;
	}
	.pictures {
		padding: 0.9rem 1.25rem 0.5rem;
		min-width: 0;
		overflow: auto;
		display: flex;
		flex-direction: column;
	}
	.heading {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		justify-content: space-between;
		gap: 0.25rem 1rem;
	}
	h2 {
		font-family: inherit;
		font-size: 1rem;
	}
	h2 span {
		color: var(--soft);
		font-weight: 400;
	}
	.beside {
		display: inline-flex;
		align-items: center;
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
	.key-line {
		font-size: 0.84rem;
		margin: 0.1rem 0 0.7rem;
	}
	.groups {
		display: flex;
		border: 1px solid var(--line);
		border-radius: var(--radius-base);
		overflow: hidden;
	}
	.groups button {
		min-height: 36px;
		padding: 0 0.65rem;
		cursor: pointer;
		font-size: 0.9rem;
	}
	.groups button[aria-pressed='true'] {
		background: var(--felt-wash);
		font-weight: 700;
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
