<script lang="ts">
	import DriftAhead from '$lib/charts/DriftAhead.svelte';
	import { onShortDay } from '$lib/ui/format';
	import { dueOf, leavesIn, paysMost, payWords, roundHeadline, STEP, type RoundInstrument } from './round';

	interface Props {
		instruments: readonly RoundInstrument[];
		now: number;
		/** The day that is looked at; undefined: today. */
		on: string | undefined;
		onchoose: (on: string) => void;
	}
	let { instruments, now, on, onchoose }: Props = $props();
	const open = $derived(instruments.filter((each) => each.open !== undefined));
	const due = $derived(dueOf(instruments, now));
	const pays = $derived(paysMost(instruments));
	const SHOWN = { due: 14, pays: 7, drifting: 3 } as const;
	let allDue = $state(false);
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

<div class="round">
	<section class="day">
		<h1 data-testid="round">{roundHeadline(instruments, now)}</h1>
		<label class="on"
			><span class="soft">{on ? 'As it will stand on' : 'Today, or on'}</span>
			<input
				class="input"
				type="date"
				value={on ?? ''}
				onchange={(event) => onchoose(event.currentTarget.value)}
			/></label
		>
		{#if open.length}
			<h2>Half done</h2>
			<ul>
				{#each open as { id, name, place, open: visit } (id)}
					<li>
						<a class="row" href="/visits/{visit}"><b>{name}</b><span class="soft">{place}</span><span>go on</span></a>
					</li>
				{/each}
			</ul>
		{/if}
		<h2>Falls due</h2>
		{#if due.length === 0}<p class="soft">Nothing within six weeks.</p>{/if}
		<ul>
			{#each allDue ? due : due.slice(0, SHOWN.due) as { id, name, place, due: at, why } (id)}
				<li>
					<a class="row" href="/instruments/{id}"
						><b>{name}</b><span class="soft">{[place, why].filter(Boolean).join('; ')}</span><span
							class:over={at! < now}>{onShortDay(new Date(at!))}{at! < now ? ', overdue' : ''}</span
						></a
					>
				</li>
			{/each}
		</ul>
		{#if due.length > SHOWN.due && !allDue}
			<button type="button" class="choice" onclick={() => (allDue = true)}>All {due.length}</button>
		{/if}
	</section>
	<section class="ahead">
		<h2>
			<b>What drifts?</b> <span class="soft">cents off, expected; the band holds two of three</span>
		</h2>
		{#if drifting.length}
			<DriftAhead lines={drifting} from={now} step={STEP} />
			{#each drifting as { id, name, explained } (id)}
				<p class="soft small"><b>{name}</b>: {explained}.</p>
			{/each}
		{:else}
			<p class="soft">No visit has been finished yet: there is nothing to go by.</p>
		{/if}
		<h2>
			<b>Where does the next hour pay most?</b>
			<span class="soft">by what is beyond its tolerance, by use and stage, for the minutes it takes</span>
		</h2>
		<ul>
			{#each pays.slice(0, SHOWN.pays) as each (each.id)}
				<li>
					<a class="row" href="/instruments/{each.id}"
						><b>{each.name}</b><span>{payWords(each)}</span><span class="mono">{each.minutes} min</span></a
					>
				</li>
			{/each}
		</ul>
		{#if stays}<p class="soft">{stays} stay within their tolerance for five months: leave them.</p>{/if}
	</section>
</div>

<style>
	.round {
		display: grid;
		grid-template-columns: minmax(0, 5fr) minmax(0, 6fr);
		gap: 2.5rem;
	}
	h1 {
		font-family: var(--serif);
		font-size: 2rem;
		line-height: 1.15;
		margin-bottom: 1rem;
	}
	.on {
		display: flex;
		gap: 0.8rem;
		align-items: center;
	}
	.on input {
		width: 11rem;
	}
	h2 {
		font-family: inherit;
		font-size: 1rem;
		font-weight: 600;
		margin-block: 1rem 0.3rem;
	}
	h2 span {
		font-weight: 400;
	}
	.ahead h2:first-child {
		margin-top: 0.4rem;
	}
	li {
		border-top: 1px solid var(--line);
	}
	.row {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1.4fr) auto;
		gap: 0.8rem;
		align-items: baseline;
		min-height: 44px;
		padding-block: 0.6rem 0.35rem;
	}
	.small {
		font-size: 0.9rem;
	}
	.over {
		color: var(--warn);
	}
	@media (max-width: 999px) {
		.round {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
