<script lang="ts">
	import DriftAhead from '$lib/charts/DriftAhead.svelte';
	import ListRow from './ListRow.svelte';
	import { leavesIn, paysMost, payWords, STEP, type RoundInstrument } from './round';

	interface Props {
		instruments: readonly RoundInstrument[];
		now: number;
	}
	let { instruments, now }: Props = $props();
	const SHOWN = { pays: 7, drifting: 3 } as const;
	const pays = $derived(paysMost(instruments));
	/** How far off it is at least, at the end of what is looked ahead. */
	const surely = ({ ahead }: RoundInstrument) => Math.abs(ahead.at(-1)!.cents) - ahead.at(-1)!.error;
	/** What will surely be furthest off. */
	const drifting = $derived(
		[...instruments]
			.filter(({ ahead }) => ahead.length)
			.sort((a, b) => surely(b) - surely(a))
			.slice(0, SHOWN.drifting)
	);
	const stays = $derived(instruments.filter((each) => each.ahead.length && leavesIn(each) === undefined).length);
</script>

<section class="ahead" aria-label="What drifts">
	<h2><b>What drifts?</b> <span class="soft">cents off, expected; the band holds two of three</span></h2>
	{#if drifting.length}
		<DriftAhead lines={drifting} from={now} step={STEP} />
		{#each drifting as { id, name, explained } (id)}
			<p class="soft small"><a href="/instruments/{id}"><b>{name}</b></a>: {explained}.</p>
		{/each}
	{:else}
		<p class="soft">No visit has been finished yet: there is nothing to go by.</p>
	{/if}
	<h2>
		<b>Where does the next hour pay most?</b>
		<span class="soft">by what is beyond its tolerance, by use and stage, for the minutes it takes</span>
	</h2>
	<ul data-list="Where the next hour pays most">
		{#each pays.slice(0, SHOWN.pays) as each (each.id)}
			<li>
				<ListRow href="/instruments/{each.id}" name={each.name} about={payWords(each)}
					><span class="mono">{each.minutes} min</span></ListRow
				>
			</li>
		{/each}
	</ul>
	{#if stays}<p class="soft">{stays} stay within their tolerance for five months: leave them.</p>{/if}
</section>

<style>
	h2 {
		font-family: inherit;
		font-size: 1rem;
		margin-block: 1rem 0.3rem;
	}
	h2:first-child {
		margin-top: 0.4rem;
	}
	h2 span {
		font-weight: 400;
	}
	li {
		border-top: 1px solid var(--line);
	}
	.small {
		font-size: 0.9rem;
	}
</style>
