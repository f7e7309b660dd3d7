<script lang="ts">
	import Drawing from '$lib/charts/Drawing.svelte';
	import { noteName, fileNoteName } from '@fendrel/core';
	import type { LastStrike } from '$lib/listening/lastStrike.svelte';
	import { saveFile } from '$lib/ui/saveFile';
	import { partialBars, partialWords } from './partials';

	interface Props {
		last: LastStrike;
		a4: number;
		/** The partial that is looked at. */
		chosen: number;
		onchoose: (partial: number) => void;
	}
	let { last, a4, chosen, onchoose }: Props = $props();
	const reading = $derived(last.reading);
	let width = $state(280);
	const HEIGHT = 76;
	/** Two figures need this much room; with less, every other one is named. */
	const LABEL_WIDTH = 15;
	const named = (partial: number, wide: number) => wide > LABEL_WIDTH || partial < 10 || partial % 2 === 0;
	const bars = $derived(reading ? partialBars(reading, width, HEIGHT) : []);
	const at = $derived(bars.findIndex(({ partial }) => partial === chosen));
	const words = $derived(reading && partialWords(reading, chosen, a4));
	/** The whole strike, as a file of sixteen bits. */
	async function keep() {
		const [sound, { soundFile }] = await Promise.all([last.whole(), import('$lib/listening/soundFile')]);
		if (sound && reading) saveFile(soundFile(sound), `strike-${fileNoteName(reading.note)}.wav`);
	}
	const step = (by: number) => {
		const next = bars[Math.min(Math.max(at + by, 0), bars.length - 1)];
		if (next) onchoose(next.partial);
	};
</script>

<section aria-label="Partials of the last strike">
	{#if !reading}
		<h2 class="panel-heading">Partials</h2>
		<p class="how">
			Strike a note and let it sound for a second. Its partials appear here, and each can be heard by itself.
		</p>
	{:else}
		<h2 class="panel-heading">Partials of {noteName(reading.note)} <span>the last strike</span></h2>
		<div class="bars">
			<Drawing bind:width height={HEIGHT + 20} label="Level of each partial, loudest at the top">
				{#each bars as { partial, x, y, width: wide, height } (partial)}
					<!-- Keys and the buttons below do the same. -->
					<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
					<g
						class:chosen={partial === chosen}
						class:sounding={partial === last.playing}
						onclick={() => onchoose(partial)}
					>
						<rect x={x - 2} y="0" width={wide + 4} height={HEIGHT + 20} class="hit" />
						<rect {x} {y} width={wide} {height} />
						{#if named(partial, wide) || partial === chosen}<text x={x + wide / 2} y={HEIGHT + 16} text-anchor="middle"
								>{partial}</text
							>{/if}
					</g>
				{/each}
				<line x1="0" x2={width} y1={HEIGHT} y2={HEIGHT} />
			</Drawing>
		</div>
		{#if words}
			<p class="title">{words.title}</p>
			<dl>
				<dt>{words.frequency}</dt>
				<dd>{words.error}</dd>
				<dt>{words.sharp}</dt>
				<dt>{words.level}, {words.decay}</dt>
			</dl>
		{:else}
			<p class="how">Partial {chosen} was not heard in this strike.</p>
		{/if}
		<div class="buttons">
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => step(-1)} disabled={at <= 0}
				>Lower</button
			>
			<button type="button" class="btn preset-filled-brand" onclick={() => last.playPartial(chosen)} disabled={!words}
				>{last.playing === chosen ? 'Stop' : 'Hear it'}</button
			>
			<button
				type="button"
				class="btn preset-outlined-surface-300-700"
				onclick={() => step(1)}
				disabled={at < 0 ? bars.length === 0 : at === bars.length - 1}>Higher</button
			>
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={keep}>Keep as WAV</button>
		</div>
		<p class="how">{last.problem ?? 'Alone first, then within the whole sound.'}</p>
	{/if}
</section>

<style>
	.bars {
		width: 100%;
	}
	rect {
		fill: var(--soft);
	}
	.hit {
		fill: transparent;
		cursor: pointer;
	}
	.chosen rect:not(.hit) {
		fill: var(--felt);
	}
	.chosen text {
		fill: var(--ink);
		font-weight: 700;
	}
	.sounding rect:not(.hit) {
		stroke: var(--ink);
		stroke-width: 2;
	}
	line {
		stroke: var(--line);
	}
	.title {
		font-weight: 700;
		margin-top: 0.3rem;
	}
	dl {
		display: grid;
		grid-template-columns: auto 1fr;
		column-gap: 0.8rem;
		font-size: 0.92rem;
		line-height: 1.45;
	}
	dt {
		grid-column: 1 / -1;
	}
	dt:first-of-type {
		grid-column: 1;
		font-family: var(--mono);
	}
	dd {
		color: var(--soft);
	}
	.buttons {
		display: grid;
		grid-template-columns: 1fr 1.4fr 1fr;
		gap: 0.5rem;
		margin: 0.5rem 0;
	}
	.buttons .btn {
		min-height: 44px;
		padding-inline: 0.3rem;
	}
	.how {
		font-size: 0.92rem;
		line-height: 1.4;
	}
</style>
