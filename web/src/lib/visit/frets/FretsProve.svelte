<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { fretPlaceOf, noteName, readNote } from '@fendrel/core';
	import { goto } from '$app/navigation';
	import { counted, fixed, signed } from '$lib/ui/format';
	import { leaveButton } from '$lib/ui/keys';
	import { LINE_LIMIT } from '$lib/ui/limits';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import ListeningStatus from '../ListeningStatus.svelte';
	import TwoColumns from '../TwoColumns.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import { FRET_TOLERANCE, type FretVisit } from '../fretVisit.svelte';
	import { agreedNotes, type Agreed } from './agreement';
	import DueString from './DueString.svelte';
	import { FretBench } from './fretBench.svelte';
	import FretStrip from './FretStrip.svelte';
	import { soundingWords } from './fretWords';

	let { open }: { open: FretVisit } = $props();
	const { visit, record } = $derived(open);
	const agreed = $derived(agreedNotes(open));
	const known = $derived(agreed.filter(({ apart }) => apart !== undefined));
	const apart = $derived(known.filter((each) => Math.abs(each.apart!) > FRET_TOLERANCE));
	const order = () => agreedNotes(open).flatMap(({ two }) => two);
	const bench = untrack(() => new FretBench(open, order, () => {}));
	onMount(() => {
		open.record.enter('prove');
		return bench.begin();
	});
	const verdict = $derived(
		known.length === 0
			? 'No note has been read on two strings yet.'
			: apart.length === 0
				? `${counted(known.length, 'note')} read on two strings: all agree within ${FRET_TOLERANCE} cents.`
				: `${apart.length} of ${counted(known.length, 'note')} read on two strings do not agree.`
	);
	/** The string is right and the note is not: the fret moves, beneath that string. */
	function advice({ first, second, apart: by }: Agreed): string {
		if (by === undefined) return 'not read';
		if (Math.abs(by) <= FRET_TOLERANCE) return 'agree';
		const further = Math.abs(second.off!) >= Math.abs(first.off!) ? second : first;
		return `${further.gives} is out: ${further.fret === 0 ? 'the string' : `fret ${further.fret}, beneath that string`}`;
	}
	async function setAgain(group: number) {
		record.act({ do: 'place', group });
		await goto(`/visits/${visit.id}/set`);
	}
	let note = $state('');
	let tried = $state('');
	let did = $state('');
	let problem = $state('');
	function logWolf(event: SubmitEvent) {
		event.preventDefault();
		const parsed = readNote(note);
		problem = parsed === undefined ? `“${note}” is no note. Write it as in F3 or E♭4.` : '';
		if (parsed === undefined) return;
		record.act({ do: 'wolf', note: parsed, tried: tried.trim(), did: did.trim() });
		note = tried = did = '';
	}
	const KEYS = $derived([
		{ keys: '1 2', does: `${soundingWords(open.body).keys} (simulated strings)` },
		{ keys: '?', does: 'show or hide this list' }
	]);
	const says = $derived(
		bench.sounds ? 'It sounds; it is read when it ends.' : 'Sound it, then its twin on the other string.'
	);
</script>

<svelte:window onclick={leaveButton} />

<VisitFrame {open} stage="prove">
	{#snippet status()}<ListeningStatus listening={bench.listening} to="strings" />{/snippet}
	<TwoColumns>
		{#snippet column()}
			<p class="headline" data-testid="proof">{verdict}</p>
			<DueString {bench} {says} within={FRET_TOLERANCE} />
			<form onsubmit={logWolf} aria-label="Wolf note">
				<h3>A wolf</h3>
				<label>Note <input class="input short" bind:value={note} aria-invalid={!!problem} placeholder="F3" /></label>
				<label
					>Tried <input
						class="input"
						bind:value={tried}
						maxlength={LINE_LIMIT}
						placeholder="tuned 5 cents lower, a mass on the bridge"
					/></label
				>
				<label>What it did <input class="input" bind:value={did} maxlength={LINE_LIMIT} /></label>
				{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
				<button class="btn preset-outlined-surface-300-700" disabled={!note}>Write it down</button>
			</form>
			{#each record.report.wolves as wolf (wolf.id)}
				<p>{noteName(wolf.note)}: {[wolf.tried, wolf.did].filter(Boolean).join('; ') || 'a wolf'}</p>
			{/each}
			<p><a class="anchor" href="/visits/{visit.id}/close">Go on to Close</a></p>
		{/snippet}
		{#snippet pictures()}
			<h2>
				<b>Does the same note agree on two strings?</b> <span>the worst first; cents of the second over the first</span>
			</h2>
			<table class="rule-table">
				<thead
					><tr
						><th>Note</th><th>On</th><th>and on</th><th class="figure">Cents</th><th class="figure">Beats</th><th
						></th></tr
					></thead
				>
				<tbody>
					{#each agreed as each (each.two.join())}
						<tr>
							<td>{noteName(each.note)}</td>
							{#each [each.first, each.second] as string (string.group)}
								<td
									><button
										type="button"
										aria-pressed={bench.due === string.group}
										onclick={() => bench.goTo(string.group)}
										>{string.name.replace(' string', '')}{fretPlaceOf(string.group).fret ? '' : ', open'}</button
									></td
								>
							{/each}
							<td class="figure">{each.apart === undefined ? '–' : signed(each.apart)}</td>
							<td class="figure">{each.beats === undefined ? '–' : fixed(each.beats, 1)}</td>
							<td
								>{advice(each)}
								{#if each.apart !== undefined && Math.abs(each.apart) > FRET_TOLERANCE}<button
										type="button"
										class="again"
										onclick={() => setAgain(each.second.group)}>Set again</button
									>{/if}</td
							>
						</tr>
					{/each}
				</tbody>
			</table>
		{/snippet}
	</TwoColumns>
	{#snippet strip()}
		<FretStrip {open} current={bench.due} onselect={(group) => bench.goTo(group)}>
			{#snippet hint()}<Shortcuts keys={KEYS} />{/snippet}
		</FretStrip>
	{/snippet}
</VisitFrame>

<style>
	.headline {
		font-family: var(--serif);
		font-size: 1.6rem;
		line-height: 1.15;
	}
	form {
		display: grid;
		gap: 0.4rem;
	}
	h3 {
		font-family: inherit;
		font-size: 1rem;
		font-weight: 600;
	}
	form label {
		display: grid;
		grid-template-columns: 7rem minmax(0, 1fr);
		align-items: center;
	}
	.short {
		width: 6rem;
	}
	td button {
		min-height: 34px;
		text-decoration: underline;
		text-underline-offset: 3px;
		cursor: pointer;
	}
	td button[aria-pressed='true'] {
		font-weight: 700;
	}
	.again {
		margin-left: 0.5rem;
	}
</style>
