<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { goto } from '$app/navigation';
	import RoomStatus from '$lib/listening/RoomStatus.svelte';
	import { roomState } from '$lib/listening/room';
	import ListenBar from '$lib/pairs/ListenBar.svelte';
	import { leaveButton } from '$lib/ui/keys';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import FinalPass from '../prove/FinalPass.svelte';
	import LeastWork from '../prove/LeastWork.svelte';
	import ProvedPictures from '../prove/ProvedPictures.svelte';
	import ProvedShown from '../prove/ProvedShown.svelte';
	import { provedOf, secondRound } from '../prove/proved';
	import { ProveSession } from '../prove/proveSession.svelte';
	import { proofVerdict, roundWords } from '../prove/proveWords';
	import { standingWords } from '../plan/standing';
	import KeyboardStrip from '$lib/charts/KeyboardStrip.svelte';
	import TwoColumns from '../TwoColumns.svelte';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import VisitFrame from '../VisitFrame.svelte';

	let { open }: { open: KeyboardVisit } = $props();
	const { visit, family, body } = $derived(open);
	const session = untrack(() => new ProveSession(open));
	const proved = $derived(provedOf(open));
	const round = $derived(secondRound(open));
	const { pairs } = session;
	$effect(() => session.follow());
	onMount(() => session.begin());
	const strike = $derived(pairs.listening.simulated && ((notes: readonly number[]) => pairs.strike(notes)));
	async function setAgain(note: number) {
		session.setAgain(note);
		await goto(`/visits/${visit.id}/set`);
	}
	const keys = [
		{ keys: 'Page Down', does: 'pass over what the final pass asks for (pedal)' },
		{ keys: 'Space', does: 'strike it on the simulated instrument' },
		{ keys: '?', does: 'show or hide this list' }
	];
</script>

<svelte:window onclick={leaveButton} />

<VisitFrame {open} stage="prove">
	{#snippet status()}<RoomStatus room={roomState(pairs.listening)} />{/snippet}
	<TwoColumns>
		{#snippet column()}
			<h2 class="verdict" data-testid="proof">{proofVerdict(proved, visit.tolerance)}</h2>
			<div class="listen"><ListenBar {pairs} /></div>
			<ProvedShown {open} {session} {proved} />
			{#each standingWords(proved.temperament, open.temperament) as { text, figure } (text)}
				<p>{text}{figure ? ` (${figure})` : ''}.</p>
			{/each}
			{#if round.notes.length}
				<div class="round">
					<p class="soft">{roundWords(round.left, round.notes.length)}</p>
					{#if strike}
						{#each round.left as note (note)}
							<button type="button" class="choice" onclick={() => strike([note])}>{family.groupName(note)} alone</button
							>
						{/each}
					{/if}
				</div>
			{/if}
			<LeastWork jobs={proved.jobs} onagain={setAgain} />
			<FinalPass
				{open}
				{proved}
				ondue={(step) => session.listenFor(step)}
				onstrike={pairs.listening.simulated && ((step) => session.strike(step))}
				onagain={setAgain}
				chord={session.chord}
			/>
			<p><a class="anchor" href="/visits/{visit.id}/prove/examination">As an examiner would go through it</a></p>
		{/snippet}
		{#snippet pictures()}
			<ProvedPictures {open} {proved} onstrike={strike} />
		{/snippet}
	</TwoColumns>
	{#snippet strip()}
		<KeyboardStrip
			lowest={body.lowest}
			highest={body.highest}
			notes={open.summary.notes}
			onselect={(note) => strike?.([note])}
		>
			{#snippet hint()}
				<span class="soft hint"
					>{strike ? 'A column strikes its key alone.' : 'Strike any two keys, or one alone.'}
					<Shortcuts {keys} /></span
				>
			{/snippet}
		</KeyboardStrip>
	{/snippet}
</VisitFrame>

<style>
	.verdict {
		font-size: 1.7rem;
	}
	/* The column is narrow. */
	.listen :global(.source) {
		flex-wrap: wrap;
	}
	.round {
		display: flex;
		flex-wrap: wrap;
		gap: 0.3rem;
	}
	.round p {
		width: 100%;
	}
</style>
