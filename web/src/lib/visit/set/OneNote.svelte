<script lang="ts" generics="Body">
	import { muteFor, noteName, stopReasons, stringsAt, stringsPlace, wedgeGaps } from '@fendrel/core';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { placeWords, STOP_WORDS } from './oneNoteWords';
	import { openPlace } from './openPlace';
	import type { SetSession } from './session.svelte';

	/** One note that stands out: whoever mends just that one is led from its strings to the last of its unison. */
	interface Props {
		session: SetSession<Body>;
		open: KeyboardVisit;
		/** Cents from the plan at which it goes with its neighbours. */
		above: number;
	}
	let { session, open, above }: Props = $props();
	const setting = $derived(session.setting);
	const note = $derived(setting.step.note);
	const name = $derived(noteName(note));
	const { stringing } = $derived(open.instrument);
	const count = $derived(stringsAt(stringing, note));
	const place = $derived(openPlace(setting.open) ?? 'all');
	const read = $derived(setting.strikes.shown.flatMap((strike) => strike.read ?? []));
	const left = $derived(
		new Set(open.family.sounders(open.body, note).filter((sounder) => open.record.report.sounders.get(sounder)?.left))
	);
	const others = $derived(
		count > 1 ? `Then ${count === 2 ? 'the other string' : 'the other two'}, until nothing moves.` : ''
	);
	/** What is to be done first of what is not done. */
	const current = $derived(
		left.size > 0 && count > 1
			? 'others'
			: read.length === 0
				? 'find'
				: setting.instruction === 'holds'
					? 'hold'
					: 'turn'
	);
	const STEPS = $derived([
		{
			id: 'find',
			text: `Press ${name} slowly: its hammer shows its strings. ${placeWords(note, stringsPlace(stringing, note))} ${muteFor(count, place)}`
		},
		{
			id: 'turn',
			text: `Follow the string to its pin. The lever sits fully on it. First a hair down, while it sounds: the pitch must fall. Then up to 0, where it goes with its neighbours.`
		},
		{ id: 'hold', text: 'A trace past it, back down, hand off; firm blows until it holds.' },
		...(others ? [{ id: 'others', text: others }] : [])
	]);
	const reasons = $derived(stopReasons(read, above, open.visit.tolerance));
	const ALWAYS = ['a string is rusty or kinked, or it creaks', 'you see a crack at a bridge, the plate or a pin'];

	/** The strings of the note before, of this one, and of the next, from left to right. */
	const groups = $derived(
		[note - 1, note, note + 1].map((each) => ({ note: each, strings: stringsAt(stringing, each) }))
	);
	const NEAR = 11;
	const APART = 30;
	const drawn = $derived.by(() => {
		let x = 12;
		return groups.map(({ note: each, strings }) => {
			const at = Array.from({ length: strings }, (_, i) => x + i * NEAR);
			x = at[strings - 1] + APART;
			return { note: each, at };
		});
	});
	const width = $derived(drawn[2].at.at(-1)! + 12);
	const own = $derived(drawn[1].at);
	const gaps = $derived(
		wedgeGaps(count, place).map((gap) => {
			const from = gap === 0 ? drawn[0].at.at(-1)! : own[gap - 1];
			const to = gap === count ? drawn[2].at[0] : own[gap];
			return { gap, from, to };
		})
	);
	const names = ['left', 'middle', 'right'];
	const isOpen = (string: number) =>
		place === 'all' || (count === 2 ? ['left', 'right'][string] : names[string]) === place || count === 1;
</script>

<section aria-label="One note, step by step">
	<h2 class="panel-heading">Mend {name} <span>{place === 'all' ? 'all its strings' : `${place} string`}</span></h2>
	<svg viewBox="0 0 {width} 78" role="img" aria-label="The strings of {name} and beside it. {muteFor(count, place)}">
		{#each drawn as { note: each, at }, group (each)}
			{#each at as x, string (x)}
				<line {x} x1={x} x2={x} y1="4" y2="60" class:own={group === 1} class:open={group === 1 && isOpen(string)} />
			{/each}
			<text x={(at[0] + at.at(-1)!) / 2} y="75" class:own={group === 1}>{noteName(each)}</text>
		{/each}
		{#each gaps as { gap, from, to } (gap)}
			<polygon points="{from + 1},30 {to - 1},30 {(from + to) / 2 + 2},54 {(from + to) / 2 - 2},54" />
		{/each}
	</svg>
	<ol>
		{#each STEPS as { id, text } (id)}<li aria-current={id === current ? 'step' : undefined}>{text}</li>{/each}
	</ol>
	<div class="stop" role="status">
		{#if reasons.length}
			<p class="now"><b>Stop and call a technician:</b> {reasons.map((reason) => STOP_WORDS[reason]).join('; ')}.</p>
		{:else}
			<p class="soft">
				Stop and call a technician when {[...Object.values(STOP_WORDS).slice(0, 2), ...ALWAYS].join('; ')}.
			</p>
		{/if}
	</div>
</section>

<style>
	svg {
		width: 100%;
		max-height: 130px;
	}
	line {
		stroke: var(--line);
		stroke-width: 2;
	}
	line.own {
		stroke: var(--soft);
	}
	line.open {
		stroke: var(--felt);
		stroke-width: 3.5;
	}
	polygon {
		fill: var(--madder, var(--warn));
		opacity: 0.75;
	}
	text {
		font-size: 9px;
		text-anchor: middle;
		fill: var(--soft);
	}
	text.own {
		fill: var(--ink);
		font-weight: 700;
	}
	li {
		padding: 0.3rem 0 0.3rem 0.75rem;
		border-left: 4px solid transparent;
		line-height: 1.3;
		font-size: 0.92rem;
		color: var(--soft);
	}
	[aria-current] {
		border-left-color: var(--felt);
		color: var(--ink);
	}
	.stop {
		margin-top: 0.5rem;
		font-size: 0.9rem;
		line-height: 1.3;
	}
	.now {
		color: var(--warn);
	}
</style>
