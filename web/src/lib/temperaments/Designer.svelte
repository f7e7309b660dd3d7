<script lang="ts">
	import { untrack } from 'svelte';
	import { examineTuning, noteClassName } from '@fendrel/core';
	import { beforeNavigate } from '$app/navigation';
	import RingOfFifths from '$lib/charts/RingOfFifths.svelte';
	import ThirdsProfile from '$lib/charts/ThirdsProfile.svelte';
	import AboutForm from './AboutForm.svelte';
	import { Design } from './design.svelte';
	import FifthEditor from './FifthEditor.svelte';
	import { commaCheck, ringFifths, roughnessByFifths, thirdsByFifths, typicalStrings, type Tuned } from './figures';
	import HearIt from './HearIt.svelte';
	import OffsetsEditor from './OffsetsEditor.svelte';
	import type { Draft } from './temperamentDraft';
	import { fixed } from '$lib/ui/format';

	interface Props {
		/** What the design begins with. */
		begin: Draft;
		/** What it is compared with. */
		against: { readonly name: string; readonly temperament: Tuned };
		/** The own temperament that is changed; undefined for a new one. */
		over?: { readonly slug: string; readonly version: number };
	}
	let { begin, against, over }: Props = $props();
	const design = new Design(untrack(() => begin.tuning));
	let chosen = $state(0);

	const tuned = $derived({ tuning: design.tuning });
	const comma = $derived(commaCheck(tuned));
	const byFifths = $derived(design.state.by === 'fifths' ? design.state : undefined);
	const findings = $derived(examineTuning(design.tuning));
	const thirds = $derived(thirdsByFifths(tuned));
	const consequence = $derived.by(() => {
		const best = thirds.indexOf(Math.min(...thirds));
		const worst = thirds.indexOf(Math.max(...thirds));
		const name = (place: number) => noteClassName((7 * place) % 12);
		if (thirds[worst] - thirds[best] < 0.05) return 'Every major third is alike.';
		return `Calmest third on ${name(best)} (${fixed(thirds[best], 1)}), widest on ${name(worst)} (${fixed(thirds[worst], 1)} cents).`;
	});

	function onkeydown(event: KeyboardEvent) {
		if (!(event.ctrlKey || event.metaKey) || (event.target as HTMLElement).closest('input, textarea')) return;
		const key = event.key.toLowerCase();
		if (key === 'z') design[event.shiftKey ? 'redo' : 'undo']();
		else if (key === 'y') design.redo();
		else return;
		event.preventDefault();
	}
	beforeNavigate(({ cancel }) => {
		if (design.changed && !confirm('You have not saved this design. Leave without saving?')) cancel();
	});
</script>

<svelte:window {onkeydown} />

<div class="design">
	<section class="work">
		<h2 class="panel-heading">Choose a fifth, then temper it</h2>
		<RingOfFifths
			fifths={ringFifths(tuned)}
			roughness={roughnessByFifths(typicalStrings(tuned, 'harpsichord', 440))}
			centre={byFifths ? `${fixed(comma.total, 2)} c placed` : 'by cents'}
			chosen={byFifths ? chosen : undefined}
			onchoose={byFifths ? (fifth) => (chosen = fifth) : undefined}
		/>
		{#if byFifths}
			<FifthEditor {design} state={byFifths} {chosen} onchoose={(fifth) => (chosen = fifth)} />
		{:else if design.state.by === 'cents'}
			<OffsetsEditor offsets={design.state.offsets} onset={(note, cents) => design.setOffset(note, cents)} />
		{/if}
		<div class="steps">
			<button type="button" class="choice" disabled={!design.canUndo} onclick={() => design.undo()}>Undo</button>
			<button type="button" class="choice" disabled={!design.canRedo} onclick={() => design.redo()}>Redo</button>
			{#if byFifths}
				<button type="button" class="choice" onclick={() => design.toCents()}>Continue in cents</button>
			{/if}
		</div>
	</section>
	<section class="outcome">
		<h2 class="panel-heading">
			What comes of it? <span>major thirds in cents from C by fifths; dashed: {against.name}</span>
		</h2>
		<p class="verdict">{consequence}</p>
		<ThirdsProfile
			height={210}
			series={[
				{ name: 'this design', sizes: thirds },
				{ name: against.name, sizes: thirdsByFifths(against.temperament) }
			]}
		/>
		{#if findings.ask}<p class="notice">{findings.ask}</p>{/if}
		<HearIt versions={[{ name: 'This design', temperament: tuned }, against]} a4={440} />
		<AboutForm {design} {begin} {over} />
	</section>
</div>

<style>
	.design {
		display: grid;
		grid-template-columns: minmax(20rem, 31rem) minmax(0, 1fr);
		gap: 1.5rem 2.5rem;
		border-top: 1px solid var(--line);
		padding-top: 1rem;
		margin-top: 1rem;
	}
	.work,
	.outcome {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 0.6rem;
		align-content: start;
		min-width: 0;
	}
	.verdict {
		font-size: 1.25rem;
	}
	.steps {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		align-items: center;
	}
	@media (max-width: 999px) {
		.design {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
