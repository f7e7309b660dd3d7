<script lang="ts">
	import { levelMatched } from '$lib/audio/loudness';
	import { Player } from '$lib/audio/player.svelte';
	import { SoundNote } from '$lib/audio/soundNote.svelte';
	import { attachments } from '$lib/handover/attachments.svelte';
	import { FAULT_WORDS } from '$lib/listening/faultWords';
	import Segments from '$lib/ui/Segments.svelte';
	import { attach } from './attach';
	import { CHORD_MOMENTS, chordPart, chordsAt, decoded, type ChordMoment } from './chords';
	import type { OpenVisit } from './openVisit.svelte';

	/** The same chords on arrival and on leaving, as loud as each other, for whoever owns the instrument. */
	let { open, moment, isOver = false }: { open: OpenVisit; moment: ChordMoment; isOver?: boolean } = $props();
	const { record } = $derived(open);
	const both = $derived(CHORD_MOMENTS.map((each) => chordsAt(record, each)));
	const own = $derived(chordsAt(record, moment));
	const note = new SoundNote();
	const player = new Player();
	let heard = $state<ChordMoment>('arrival');
	let problem = $state('');

	async function listen() {
		if (note.state === 'recording') return note.stop();
		player.stop();
		const bytes = await note.record();
		if (bytes) await attach(record, chordPart(moment), 'sound', bytes);
	}
	function play() {
		if (player.playing || player.preparing) return player.stop();
		problem = '';
		player.switchTo(CHORD_MOMENTS.indexOf(heard));
		void player.tracks('chords', async (_, context) => {
			const all = await Promise.all(both.map((each) => each && attachments.bytes(record.visitId, each.attachment)));
			if (!all[0] || !all[1]) {
				problem = 'One of the recordings is not on this device, and the server does not answer.';
				return undefined;
			}
			return levelMatched(await Promise.all(all.map((bytes) => decoded(bytes!, context))));
		});
	}
	function choose(id: ChordMoment) {
		heard = id;
		player.switchTo(CHORD_MOMENTS.indexOf(id));
	}
	$effect(() => () => {
		note.close();
		player.close();
	});
	const NAMES = [
		{ id: 'arrival', label: 'On arrival' },
		{ id: 'leaving', label: 'On leaving' }
	] as const;
</script>

<section aria-label="The same chords, before and after">
	<h2 class="panel-heading">The same chords, before and after</h2>
	{#if moment === 'arrival' && !own}
		<p class="soft">Play a few chords that you will play again when you leave: the owner can compare them.</p>
	{/if}
	<div class="chords">
		{#if !isOver}
			<button
				type="button"
				class="btn preset-outlined-surface-300-700"
				disabled={note.state === 'opening'}
				onclick={listen}>{note.state === 'recording' ? 'Stop' : own ? 'Record them again' : 'Record the chords'}</button
			>
		{/if}
		{#if note.state === 'recording'}<span class="soft" role="status">Recording, up to eight seconds …</span>
		{:else if own && !both.every(Boolean)}<span class="soft">Recorded.</span>{/if}
		{#if both.every(Boolean)}
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={play}
				>{player.playing ? 'Stop' : 'Compare'}</button
			>
			<Segments label="Which is heard" choices={NAMES} chosen={heard} onchoose={choose} />
		{/if}
	</div>
	{#if moment === 'leaving' && !both[0] && !isOver}<p class="soft">Nothing was recorded on arrival.</p>{/if}
	{#if note.fault}<p class="problem" role="alert">{FAULT_WORDS[note.fault]}</p>{/if}
	{#if problem || player.problem}<p class="problem" role="alert">{problem || player.problem}</p>{/if}
</section>

<style>
	.chords {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
		margin-top: 0.3rem;
	}
</style>
