<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { onMount, untrack } from 'svelte';
	import { readMidi } from '$lib/audio/midiFile';
	import { Player } from '$lib/audio/player.svelte';
	import { StruckKeys } from '$lib/audio/struckKeys.svelte';
	import { keyName } from '$lib/tuning/passages';
	import PlayButton from '$lib/ui/PlayButton.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import KeyRow from './KeyRow.svelte';
	import { PIECES, pieceOf, type Piece } from './pieces';
	import { KEYS_SPAN, TWIN_KEYS, twinAction } from './twinKeys';
	import { inState, type TwinState } from './twinState';

	interface Props {
		/** The two that are switched between. */
		states: readonly [TwinState, TwinState];
		compass: { readonly lowest: number; readonly highest: number };
	}
	let { states, compass }: Props = $props();
	const player = new Player();
	const keys = new StruckKeys();
	let heard = $state(0);
	let key = $state(0);
	/** The C that the computer's keys begin from. */
	let from = $state(untrack(() => fitting(60)));
	let file = $state.raw<Piece | undefined>();
	let problem = $state<string | undefined>();
	onMount(() => {
		return () => {
			player.close();
			keys.close();
		};
	});

	function fitting(wanted: number): number {
		const { lowest, highest } = compass;
		return Math.min(Math.max(wanted, lowest + ((60 - lowest) % 12)), highest - KEYS_SPAN + 1);
	}
	const within = $derived(
		Array.from({ length: KEYS_SPAN }, (_, i) => from + i).filter((n) => n >= compass.lowest && n <= compass.highest)
	);
	/** The sounds of the keys are made when the first of them is pressed, and again when they are others. */
	let made = '';
	/** Keys that are down: one that was let go while its sound was made does not begin to sound. */
	const down = new Set<number>();
	async function press(note: number) {
		player.stop();
		down.add(note);
		const wanted = `${from} ${states.map(({ id, name }) => id + name).join(' ')}`;
		if (made !== wanted) {
			made = wanted;
			await keys.prepare(
				within,
				states.map(({ voices }) => voices)
			);
		}
		for (const each of down) await keys.press(each);
	}
	function release(note: number) {
		down.delete(note);
		keys.release(note);
	}
	function play(piece: Piece) {
		if (player.playing === piece.id) return player.stop();
		player.switchTo(heard);
		void player.passage(
			piece.id,
			states.map((state) => inState(state, piece.chords(key)))
		);
	}
	function switchTo(version: number) {
		heard = version;
		player.switchTo(version);
		keys.switchTo(version);
	}

	async function take(files: FileList | null | undefined) {
		const [one] = files ?? [];
		if (!one) return;
		problem = undefined;
		const read = await readMidi(one);
		if ('problem' in read) {
			problem = read.problem;
			return;
		}
		file = pieceOf(one.name, read.value, compass);
		if (file) play(file);
		else problem = `No note of ${one.name} lies on this keyboard.`;
	}

	function onkeydown(event: KeyboardEvent) {
		const action = twinAction(event);
		if (!action) return;
		event.preventDefault();
		if (event.repeat) return;
		if (action.do === 'switch') switchTo(1 - heard);
		else if (action.do === 'octave') from = fitting(from + 12 * action.by);
		else void press(from + action.up);
	}
	function onkeyup(event: KeyboardEvent) {
		const action = twinAction(event);
		if (action?.do === 'note') release(from + action.up);
	}
	const all = $derived(file ? [...PIECES, file] : PIECES);
	const playable = ({ chords }: Piece) =>
		chords(key).every(({ notes }) => notes.every((note) => note >= compass.lowest && note <= compass.highest));
	const said = $derived.by(() => {
		if (player.preparing || keys.isPreparing) return 'Preparing the sound …';
		if (player.playing) return `You hear it ${states[heard].name}. Switch over while it sounds.`;
		return 'Play a passage, press the keys of your computer, or drop a MIDI file here.';
	});
</script>

<svelte:window
	{onkeydown}
	{onkeyup}
	onblur={() => {
		down.clear();
		keys.releaseAll();
	}}
/>

<section
	aria-label="The twin plays"
	data-sounds={player.playing}
	ondragover={(event) => event.preventDefault()}
	ondrop={(event) => {
		event.preventDefault();
		void take(event.dataTransfer?.files);
	}}
>
	<div class="heard">
		<Segments
			label="Which state is heard"
			choices={states.map(({ name }, id) => ({ id, label: name }))}
			chosen={heard}
			onchoose={switchTo}
		/>
	</div>
	<div class="row">
		{#each all as piece (piece.id)}
			<PlayButton
				name={piece.name}
				isPlaying={player.playing === piece.id}
				disabled={player.preparing === piece.id || !playable(piece)}
				onclick={() => play(piece)}
			/>
		{/each}
		<label>
			<span>in</span>
			<select class="select fit" bind:value={key} aria-label="Key" onchange={() => player.stop()}>
				{#each { length: 12 } as _, i (i)}<option value={(7 * i) % 12}>{keyName((7 * i) % 12)}</option>{/each}
			</select>
		</label>
		<label class="btn preset-outlined-surface-300-700"
			>Play a MIDI file<input
				type="file"
				class="sr-only"
				accept=".mid,.midi,audio/midi"
				onchange={(event) => {
					void take(event.currentTarget.files);
					event.currentTarget.value = '';
				}}
			/></label
		>
	</div>
	<KeyRow {from} notes={within} held={keys.held} onpress={(note) => void press(note)} onrelease={release} />
	<p class="soft" aria-live="polite">
		{said} The keys begin at {noteName(from)}.{file?.left ? ` Of ${file.name}: ${file.left}.` : ''}
	</p>
	{#if problem ?? player.problem ?? keys.problem}
		<p class="problem" role="alert">{problem ?? player.problem ?? keys.problem}</p>
	{/if}
	<p><Shortcuts keys={TWIN_KEYS} /></p>
</section>

<style>
	section {
		display: grid;
		gap: 1rem;
		margin-top: 1.4rem;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem 0.8rem;
		align-items: center;
	}
	.row label {
		display: flex;
		align-items: center;
		gap: 0.5rem;
	}
</style>
