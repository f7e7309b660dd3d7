<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { BREATHS } from '@fendrel/core';
	import { goto } from '$app/navigation';
	import ReedPlates from '$lib/charts/ReedPlates.svelte';
	import ReedStrip from '$lib/charts/ReedStrip.svelte';
	import { counted } from '$lib/ui/format';
	import { leaveButton, typedInto } from '$lib/ui/keys';
	import Segments from '$lib/ui/Segments.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import type { ReedVisit } from '../reedVisit.svelte';
	import TwoColumns from '../TwoColumns.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import BreathButtons from '$lib/tones/BreathButtons.svelte';
	import { BREATH_WORDS } from '$lib/tones/breaths';
	import { bendsNow } from './bendsNow';
	import { expectedOf, provedReeds, type Proved } from './proofs';
	import ListeningStatus from '../ListeningStatus.svelte';
	import ReedListening from './ReedListening.svelte';
	import TakeNotice from '../TakeNotice.svelte';
	import { ReedProof } from './reedProof.svelte';
	import { beatWords } from './reedWords';

	let { open }: { open: ReedVisit } = $props();
	const { visit, reeds } = $derived(open);
	const proofs = $derived(provedReeds(open));
	const proof = untrack(
		() =>
			new ReedProof(open, () => {
				const now = provedReeds(open);
				const at = now.findIndex(({ id }) => id === proof.due?.id);
				if (!now[at]?.missing && now[at + 1]) choose(now[at + 1]);
			})
	);
	function choose(next: Proved) {
		proof.choose(next, next.missing ?? 'soft');
	}
	onMount(() => {
		open.record.enter('prove');
		const first = proofs.find(({ missing }) => missing) ?? proofs[0];
		if (first) choose(first);
		return proof.begin();
	});
	const due = $derived(proofs.find(({ id }) => id === proof.due?.id));
	const expected = $derived(due ? expectedOf(open, due) : []);
	const all = $derived(proofs.filter(({ heard }) => heard[1]));
	const still = $derived(all.filter(({ isStill }) => isStill).length);
	const verdict = $derived(
		proofs.length === 0
			? 'Single reeds: there are no octaves or chords to prove.'
			: all.length === 0
				? 'No octave or chord has been heard yet.'
				: `${counted(all.length, 'octave or chord', 'octaves and chords')} heard of ${proofs.length}; ${still} still as one plays.`
	);
	const HELD = BREATHS.map((id) => ({ id, label: BREATH_WORDS[id] }));
	const says = $derived(
		proof.sounds
			? 'They sound. Hold them; they are told when they end.'
			: due
				? `Sound ${due.name} together, ${BREATH_WORDS[proof.breath].toLowerCase()}, for two seconds.`
				: ''
	);
	const bends = $derived(bendsNow(open));

	const KEYS = [
		{ keys: '1 2 3', does: 'blow softly, as one plays, hard (simulated reeds)' },
		{ keys: 'PageDown, PageUp', does: 'the next octave or chord, the one before (pedal)' },
		{ keys: '?', does: 'show or hide this list' }
	];
	function onkeydown(event: KeyboardEvent) {
		if (typedInto(event) || event.ctrlKey) return;
		const by = { PageDown: 1, PageUp: -1 }[event.key];
		if (!by) return;
		event.preventDefault();
		const next = proofs[proofs.findIndex(({ id }) => id === due?.id) + by];
		if (next) choose(next);
	}
	async function setAgain(group: number) {
		open.record.act({ do: 'place', group });
		await goto(`/visits/${visit.id}/set`);
	}
	const figure = (rate: number | undefined) => (rate === undefined ? '–' : beatWords(rate));
</script>

<svelte:window {onkeydown} onclick={leaveButton} />

<VisitFrame {open} stage="prove">
	{#snippet status()}<ListeningStatus listening={proof.listening} to="reeds together" />{/snippet}
	<TwoColumns>
		{#snippet column()}
			<p class="headline" data-testid="proof">{verdict}</p>
			<ReedListening {open} listening={proof.listening} />
			{#if due}
				<section class="due" aria-label="What is due">
					<h2>{due.name}</h2>
					<p class="says" role="status">{says}</p>
					<Segments label="Breath" choices={HELD} chosen={proof.breath} onchoose={(id) => (proof.breath = id)} />
				</section>
				<TakeNotice notice={proof.notice} />
				{#if proof.listening.simulated}
					<BreathButtons ways={BREATHS} onblow={(way) => proof.blow(way)} />
				{/if}
				<table class="figure-table" aria-label="Beats of {due.name}">
					<thead
						><tr
							><th scope="col">A second</th>{#each HELD as { id, label } (id)}<th scope="col" class="figure">{label}</th
								>{/each}</tr
						></thead
					>
					<tbody>
						<tr
							><th scope="row">heard</th>{#each due.heard as each, i (i)}<td>{figure(each?.rate)}</td>{/each}</tr
						>
						<tr class="soft"
							><th scope="row">as they stand</th>{#each expected as each, i (i)}<td>{figure(each?.rate)}</td>{/each}</tr
						>
					</tbody>
				</table>
				{#if due.advice}
					<p class="advice" data-testid="reed-advice">{due.advice}</p>
					{#if !due.isStill}
						<div class="flex flex-wrap gap-2">
							{#each due.groups as group (group)}
								<button type="button" class="choice" onclick={() => setAgain(group)}
									>Set {open.family.groupName(group)} again</button
								>
							{/each}
						</div>
					{/if}
				{/if}
			{/if}
			<p><a class="anchor" href="/visits/{visit.id}/close">Go on to Close</a></p>
		{/snippet}
		{#snippet pictures()}
			<ReedPlates {reeds} says="cents from the plan" height={104} />
			{#if proofs.length}
				<h2><b>Which are still?</b> <span>beats a second of the roughest pair: soft, as one plays, hard</span></h2>
				<div class="list">
					{#each proofs as each (each.id)}
						<button
							type="button"
							aria-pressed={each.id === due?.id}
							class:still={each.isStill}
							onclick={() => choose(each)}
						>
							<span>{each.name}</span>
							<span class="mono">{each.heard.map((one) => figure(one?.rate)).join(' / ')}</span>
						</button>
					{/each}
				</div>
			{/if}
			{#if bends.length}
				<h2>
					<b>How far does each bend?</b>
					<span>where it ends: as it was read, or as this player’s bends usually end</span>
				</h2>
				<div class="list" aria-label="Bends" role="group">
					{#each bends as { name, ends, isRead, beneath } (name)}
						<button type="button" class:still={isRead} onclick={() => setAgain(beneath)}>
							<span>{name}</span>
							<span><span class="mono">{ends}</span> <span class="soft">{isRead ? 'read' : 'expected'}</span></span>
						</button>
					{/each}
				</div>
			{/if}
		{/snippet}
	</TwoColumns>
	{#snippet strip()}
		<ReedStrip {reeds}>
			{#snippet hint()}<span class="soft">Pedal: the next one. <Shortcuts keys={KEYS} /></span>{/snippet}
		</ReedStrip>
	{/snippet}
</VisitFrame>

<style>
	.headline,
	.says {
		font-family: var(--serif);
		font-size: 1.6rem;
		line-height: 1.15;
	}
	.says {
		font-size: 1.3rem;
		min-height: 3rem;
	}
	.due {
		display: grid;
		gap: 0.5rem;
	}
	.due h2 {
		font-family: inherit;
		font-size: 2.2rem;
		font-weight: 700;
	}
	.figure-table td {
		font-size: 0.8rem;
	}
	.advice {
		font-family: var(--serif);
		font-size: 1.3rem;
		line-height: 1.2;
	}
	.list {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(18rem, 1fr));
		gap: 0 1.5rem;
	}
	.list button {
		display: flex;
		justify-content: space-between;
		min-height: 44px;
		align-items: center;
		border-bottom: 1px solid var(--line);
		cursor: pointer;
		padding: 0 0.4rem;
		text-align: left;
	}
	.list .still {
		color: var(--felt);
	}
	.list [aria-pressed='true'] {
		box-shadow: inset 3px 0 0 var(--ink);
		font-weight: 700;
	}
</style>
