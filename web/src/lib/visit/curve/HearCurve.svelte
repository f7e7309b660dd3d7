<script lang="ts">
	import { onDestroy, untrack } from 'svelte';
	import { noteName, type NoteTarget } from '@fendrel/core';
	import Play from '@lucide/svelte/icons/play';
	import Square from '@lucide/svelte/icons/square';
	import { Player } from '$lib/audio/player.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import { CURVE_PASSAGES, soundedFrom, type HeardPassage } from './passages';

	interface Props {
		note: number;
		/** Targets of each version, the sheet's own first; worked out when something is played. */
		versions: readonly { readonly name: string; readonly targetOf: () => (note: number) => NoteTarget | undefined }[];
		passages?: readonly HeardPassage[];
		/** What is chosen between the versions. */
		choice?: string;
	}
	let { note, versions, passages = CURVE_PASSAGES, choice = 'Which curve is heard' }: Props = $props();
	let heard = $state(0);
	const player = new Player();
	onDestroy(() => player.close());
	let passage = $state.raw<HeardPassage>(untrack(() => passages[0]));
	let tooHigh = $state(false);

	function play() {
		if (player.playing) return player.stop();
		const sounded = versions.map(({ targetOf }) => soundedFrom(passage, note, targetOf()));
		tooHigh = sounded.some((chords) => !chords);
		if (!tooHigh)
			void player.passage(
				passage.id,
				sounded.map((chords) => chords!)
			);
	}
	function switchTo(version: number) {
		heard = version;
		player.switchTo(version);
	}
	$effect(() => {
		if (heard >= versions.length) switchTo(0);
	});
</script>

<section aria-label="Hear it">
	<div class="row">
		<select
			class="select"
			aria-label="What is played"
			value={passage.id}
			onchange={(event) => {
				player.stop();
				passage = passages.find(({ id }) => id === event.currentTarget.value)!;
			}}
		>
			{#each passages as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</select>
		<button
			type="button"
			class="play"
			aria-label={player.playing ? 'Stop' : `Play from ${noteName(note)}`}
			disabled={!!player.preparing}
			onclick={play}
		>
			{#if player.playing}<Square size={16} /> Stop{:else}<Play size={16} /> {noteName(note)}{/if}
		</button>
	</div>
	{#if versions.length > 1}
		<Segments
			label={choice}
			choices={versions.map(({ name }, id) => ({ id, label: name }))}
			chosen={heard}
			onchoose={switchTo}
			wide
		/>
	{/if}
	<p class="soft" aria-live="polite">
		{#if player.problem}<span class="problem">{player.problem}</span>
		{:else if tooHigh}The keyboard ends below this from {noteName(note)}: choose a lower note.
		{:else if player.preparing}Preparing the sound …
		{:else if versions.length > 1}Switch over while it sounds.{/if}
	</p>
</section>

<style>
	section {
		display: grid;
		gap: 0.4rem;
	}
	.row {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 0.4rem;
	}
	.play {
		display: inline-flex;
		gap: 0.4rem;
		align-items: center;
		min-height: 44px;
		padding: 0 0.7rem;
		border: 1px solid var(--line);
		border-radius: var(--radius-base);
		background: var(--sheet);
		cursor: pointer;
	}
	p {
		font-size: 0.85rem;
	}
</style>
