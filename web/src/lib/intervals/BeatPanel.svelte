<script lang="ts">
	import { onDestroy, onMount, untrack } from 'svelte';
	import Play from '@lucide/svelte/icons/play';
	import Square from '@lucide/svelte/icons/square';
	import { Player } from '$lib/audio/player.svelte';
	import BeatTrace from '$lib/charts/BeatTrace.svelte';
	import { fixed } from '$lib/ui/format';

	interface Props {
		/** The target, beats per second, not signed. */
		rate: number;
		/** Where it is heard, Hz. */
		pitch: number;
	}
	let { rate, pitch }: Props = $props();
	const STEPS = [0.1, 0.2, 0.5, 1] as const;
	let step = $state(0.2);
	let off = $state(0);
	let elapsed = $state<number | undefined>();
	const sounding = $derived(Math.max(0, rate + off));
	const player = new Player();
	onDestroy(() => player.close());
	onMount(() => {
		let frame = requestAnimationFrame(function draw() {
			elapsed = player.playing ? player.elapsed : undefined;
			frame = requestAnimationFrame(draw);
		});
		return () => cancelAnimationFrame(frame);
	});
	// Another interval: back to its target, in silence.
	const target = $derived(`${rate} at ${pitch}`);
	$effect(() => {
		void target;
		untrack(() => {
			off = 0;
			player.stop();
		});
	});

	function change(by: number) {
		off = Math.max(-rate, Math.round((off + by) * 100) / 100);
		if (player.playing) sound();
	}
	function toTarget() {
		off = 0;
		if (player.playing) sound();
	}
	/** Two pure tones that beat so often, with nothing else to listen to. */
	function sound() {
		void player.tones('beat', [pitch - sounding / 2, pitch + sounding / 2]);
	}
	export function toggle() {
		if (player.playing) player.stop();
		else sound();
	}
</script>

<section aria-label="The beat by itself">
	<h2 class="panel-heading">Learn the rate by ear <span>the beat alone, at {fixed(pitch, 0)} Hz</span></h2>
	<BeatTrace rate={sounding} {elapsed} />
	<div class="row">
		<button type="button" class="btn preset-filled-brand" onclick={toggle}>
			{#if player.playing}<Square size={16} /> Stop{:else}<Play size={16} /> Sound it{/if}
		</button>
		<p class="rate" aria-live="polite">
			<b data-testid="sounding-rate">{fixed(sounding, 2)}</b> per second
			<span class="soft"
				>{off === 0
					? 'the target'
					: `${fixed(Math.abs(off), 1)} ${off < 0 ? 'slower' : 'faster'} than the target`}</span
			>
		</p>
	</div>
	<div class="row">
		<button type="button" class="choice" disabled={sounding === 0} onclick={() => change(-step)}>Slower</button>
		<button type="button" class="choice" disabled={off === 0} onclick={toTarget}>At target</button>
		<button type="button" class="choice" onclick={() => change(step)}>Faster</button>
		<label
			>by
			<select class="select fit" bind:value={step} aria-label="Step in beats per second">
				{#each STEPS as each (each)}<option value={each}>{each}</option>{/each}
			</select></label
		>
	</div>
	{#if player.problem}<p class="problem" role="alert">{player.problem}</p>{/if}
</section>

<style>
	section {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 0.6rem;
		align-content: start;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
	}
	.rate b {
		font-family: var(--mono);
		font-size: 1.4rem;
		font-weight: 600;
	}
	label {
		display: flex;
		align-items: center;
		gap: 0.5rem;
	}
</style>
