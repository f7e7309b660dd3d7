<script lang="ts">
	import DueWeeks from '$lib/charts/DueWeeks.svelte';
	import { onShortDay } from '$lib/ui/format';
	import ListRow from './ListRow.svelte';
	import { dueOf, type RoundInstrument } from './round';

	interface Props {
		instruments: readonly RoundInstrument[];
		now: number;
	}
	let { instruments, now }: Props = $props();
	const SHOWN = 8;
	/** Weeks that the picture looks ahead. */
	const WEEKS = 12;
	const due = $derived(dueOf(instruments, now));
	const ahead = $derived(dueOf(instruments, now, WEEKS * 7));
	let all = $state(false);
</script>

<section aria-label="Falls due">
	<h2><b>What falls due?</b> <span class="soft">a dot for each instrument, by the week</span></h2>
	{#if ahead.length}<DueWeeks due={ahead} {now} weeks={WEEKS} />{/if}
	{#if due.length === 0}<p class="soft">Nothing within six weeks.</p>{/if}
	<ul data-list="What falls due">
		{#each all ? due : due.slice(0, SHOWN) as { id, name, place, due: at, why, work } (`${id} ${work}`)}
			<li>
				<ListRow
					href="/instruments/{id}"
					name={work === 'tuning' ? name : `${name}: ${work}`}
					about={[place, why].filter(Boolean).join('; ')}
					><span class:over={at < now}>{onShortDay(new Date(at))}{at < now ? ', overdue' : ''}</span></ListRow
				>
				<a
					class="choice book"
					href="/round/diary?for={id}"
					aria-label="Book {name}{work === 'tuning' ? '' : `, ${work}`}">Book</a
				>
			</li>
		{/each}
	</ul>
	{#if due.length > SHOWN && !all}
		<button type="button" class="choice" onclick={() => (all = true)}>All {due.length}</button>
	{/if}
</section>

<style>
	h2 {
		font-family: inherit;
		font-size: 1rem;
		margin-block: 1.2rem 0.3rem;
	}
	h2 span {
		font-weight: 400;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 0.8rem;
		align-items: center;
		border-top: 1px solid var(--line);
	}
	.book {
		display: inline-flex;
		align-items: center;
	}
	.over {
		color: var(--warn);
	}
</style>
