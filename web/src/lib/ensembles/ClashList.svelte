<script lang="ts">
	import { equalHz, hz, levelsOf, noteClass, STEADY_REED, type Clash, type Member } from '@fendrel/core';
	import { onDestroy } from 'svelte';
	import { Player } from '$lib/audio/player.svelte';
	import { soundingWorker } from '$lib/workers/sounding.client';
	import { clashWords } from './ensembleWords';

	interface Props {
		clashes: readonly Clash[];
		members: readonly Member[];
	}
	let { clashes, members }: Props = $props();
	const player = new Player();
	onDestroy(() => player.close());
	const idOf = ({ lower, upper, interval, note }: Clash) => [lower, upper, interval.semitones, note].join();

	/** The two as they sound: bowed tones at their pitches, together. */
	async function hear(clash: Clash) {
		const id = idOf(clash);
		if (player.playing === id) return player.stop();
		const { lower, upper, interval, at } = clash;
		if (at === undefined) return;
		const pitch = (member: Member, note: number) =>
			equalHz(note, hz(440)) * 2 ** (levelsOf(member)[noteClass(note)] / 1200);
		const tones = [pitch(members[lower], at), pitch(members[upper], at + interval.semitones)].map((each, i) => ({
			...{ ...STEADY_REED, brightness: 0.7, seconds: 3.5, noise: 50, pitch: each, seed: 5 + i }
		}));
		const sampleRate = 44_100;
		const worker = soundingWorker();
		await player.track(id, async (signal) => {
			const samples = await worker.run('lasting', { tones, sampleRate }, { signal }).finally(() => worker.close());
			return { samples, sampleRate };
		});
	}
</script>

<ul>
	{#each clashes as clash (idOf(clash))}
		<li>
			{clashWords(clash, members)}
			<button type="button" class="choice" onclick={() => hear(clash)}
				>{player.playing === idOf(clash) ? 'Stop' : 'Hear it'}</button
			>
		</li>
	{/each}
</ul>
{#if player.problem}<p class="problem" role="alert">{player.problem}</p>{/if}

<style>
	li {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 1rem;
		border-bottom: 1px solid var(--line);
	}
	@media print {
		ul {
			display: none;
		}
	}
</style>
