<script lang="ts">
	import { onDestroy } from 'svelte';
	import { STRING_KINDS, temperamentById, type StringKind } from '@fendrel/core';
	import { Player } from '$lib/audio/player.svelte';
	import PlayButton from '$lib/ui/PlayButton.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import { KIND_NAMES } from '$lib/tuning/kinds';
	import { typicalStrings, type Tuned } from './figures';
	import { keyName, PASSAGES, sounded, type Passage } from '$lib/tuning/passages';

	interface Props {
		/** What is heard, the first first; without a second one it is compared with equal temperament. */
		versions: readonly { readonly name: string; readonly temperament: Tuned }[];
		a4: number;
	}
	let { versions, a4 }: Props = $props();
	const all = $derived(
		versions.length > 1 ? versions : [...versions, { name: 'Equal', temperament: temperamentById('equal') }]
	);
	let key = $state(0);
	let kind = $state<StringKind>('harpsichord');
	let heard = $state(0);
	const player = new Player();
	onDestroy(() => player.close());

	function play(passage: Passage) {
		if (player.playing === passage.id) return player.stop();
		void player.passage(
			passage.id,
			all.map(({ temperament }) => sounded(passage, key, typicalStrings(temperament, kind, a4)))
		);
	}
	function switchTo(version: number) {
		heard = version;
		player.switchTo(version);
	}
</script>

<section aria-label="Hear it">
	<div class="row">
		<Segments
			label="Which tuning is heard"
			choices={all.map(({ name }, id) => ({ id, label: name }))}
			chosen={heard}
			onchoose={switchTo}
		/>
		<label>
			<span>in</span>
			<select class="select fit" bind:value={key} aria-label="Key" onchange={() => player.stop()}>
				{#each { length: 12 } as _, i (i)}<option value={(7 * i) % 12}>{keyName((7 * i) % 12)}</option>{/each}
			</select>
		</label>
		<label>
			<span>on a</span>
			<select class="select fit" bind:value={kind} aria-label="Instrument" onchange={() => player.stop()}>
				{#each STRING_KINDS as each (each)}<option value={each}>{KIND_NAMES[each].toLowerCase()}</option>{/each}
			</select>
		</label>
	</div>
	<div class="row">
		{#each PASSAGES as passage (passage.id)}
			<PlayButton
				name={passage.name}
				isPlaying={player.playing === passage.id}
				disabled={player.preparing === passage.id}
				onclick={() => play(passage)}
			/>
		{/each}
	</div>
	<p class="soft" aria-live="polite">
		{#if player.problem}<span class="problem">{player.problem}</span>
		{:else if player.preparing}Preparing the sound …
		{:else if player.playing}You hear {all[heard].name}. Switch over while it sounds.
		{:else}Synthesised strings at A4 = {a4} Hz; switch between the tunings while a passage sounds.{/if}
	</p>
</section>

<style>
	section {
		display: grid;
		gap: 0.6rem;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
	}
	label {
		display: flex;
		align-items: center;
		gap: 0.5rem;
	}
	p {
		font-size: 0.95rem;
	}
</style>
