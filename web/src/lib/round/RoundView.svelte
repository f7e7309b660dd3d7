<script lang="ts">
	import { untrack } from 'svelte';
	import { isSameDay } from 'date-fns';
	import type { KeptDay, KeptStop } from '$lib/device/keptDay';
	import { capital } from '$lib/ui/format';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import { bringToday } from './bring';
	import DayLine from './DayLine.svelte';
	import { dayHeadline, dayLine } from './dayLine';
	import type { ToldBooking } from './diary/booking';
	import Drifting from './Drifting.svelte';
	import DueList from './DueList.svelte';
	import ListRow from './ListRow.svelte';
	import { heldWords, stopsOf } from './dayHeld';
	import { roundHeadline, type RoundInstrument } from './round';

	interface Props {
		instruments: readonly RoundInstrument[];
		/** Around the day. */
		bookings: readonly ToldBooking[];
		me: string;
		now: number;
		/** The day that is looked at; undefined: today. */
		on: string | undefined;
		onchoose: (on: string) => void;
		/** Begins a visit, or goes on with the one that is half done. @returns what is in its way */
		onbegin: (id: string) => Promise<string | undefined>;
		/** Has the device hold the day, for where there is no network. */
		onhold: (stops: readonly KeptStop[]) => Promise<Omit<KeptDay, 'owner'>>;
	}
	let { instruments, bookings, me, now, on, onchoose, onbegin, onhold }: Props = $props();
	const day = $derived(new Date(now));
	const todays = $derived(bookings.filter(({ startsAt }) => isSameDay(new Date(startsAt), day)));
	const mine = $derived(todays.filter(({ userId }) => userId === me));
	const line = $derived(dayLine(todays));
	const byId = $derived(new Map(instruments.map((each) => [each.id, each])));
	const keys = $derived(mine.flatMap(({ named }) => named.map(({ id }) => id)).slice(0, 9));
	const bring = $derived(bringToday(keys.flatMap((id) => byId.get(id) ?? [])));
	const booked = $derived(new Set(todays.flatMap(({ named }) => named.map(({ id }) => id))));
	const open = $derived(instruments.filter((each) => each.open !== undefined && !booked.has(each.id)));
	let problem = $state<string>();
	let held = $state<string>();
	/** Fetched once for what is booked today: again when that is something else. */
	const todayIs = $derived(on ? '' : mine.map(({ id, version }) => `${id} ${version}`).join());
	$effect(() => {
		if (!todayIs) return;
		const stops = untrack(() => stopsOf(mine));
		void onhold(stops).then((day) => (held = heldWords(day)));
	});
	const begin = async (id: string) => (problem = await onbegin(id));

	function onkeydown(event: KeyboardEvent) {
		if (event.ctrlKey || event.metaKey || event.altKey) return;
		if ((event.target as HTMLElement).closest('input, textarea, select, dialog')) return;
		const id = keys[Number(event.key) - 1];
		if (id) void begin(id);
	}
</script>

<svelte:window {onkeydown} />

<div class="round">
	<section class="day" aria-label="The day">
		<h1 data-testid="day">{dayHeadline(mine, day)}</h1>
		<p class="soft" data-testid="round">{roundHeadline(instruments, now)}</p>
		<label class="on"
			><span class="soft">{on ? 'As it stands on' : 'Today, or on'}</span>
			<input
				class="input"
				type="date"
				value={on ?? ''}
				onchange={(event) => onchoose(event.currentTarget.value)}
			/></label
		>
		{#if held && !on}<p class="soft" data-testid="held">{held}</p>{/if}
		{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
		{#if todays.length}
			<DayLine
				from={line.from}
				hours={line.hours}
				blocks={line.blocks}
				instruments={byId}
				{me}
				{keys}
				onbegin={begin}
			/>
			{#if bring.length}<h2>Bring along</h2>
				<p>{capital(bring.join(', '))}.</p>{/if}
		{:else}
			<p class="links">
				<a class="anchor" href="/round/plan">Plan a day</a>
				<a class="anchor" href="/round/diary">Book a visit</a>
			</p>
		{/if}
		{#if open.length}
			<h2>Half done</h2>
			<ul>
				{#each open as { id, name, place, set, open: visit } (id)}
					<li>
						<ListRow href="/visits/{visit}" {name} about={[place, `${set} set`].filter(Boolean).join('; ')}
							>go on</ListRow
						>
					</li>
				{/each}
			</ul>
		{/if}
	</section>
	<div>
		<Drifting {instruments} {now} />
		<DueList {instruments} {now} />
	</div>
</div>
<Shortcuts keys={[{ keys: '1 to 9', does: 'begin the day’s first to ninth instrument' }]} />

<style>
	.round {
		display: grid;
		grid-template-columns: minmax(0, 5fr) minmax(0, 6fr);
		gap: 2.5rem;
	}
	h1 {
		font-size: 2rem;
		margin-bottom: 0.4rem;
	}
	.on {
		display: flex;
		gap: 0.8rem;
		align-items: center;
		margin-top: 0.6rem;
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
	.links {
		display: flex;
		gap: 1.5rem;
		margin-top: 1rem;
	}
	li {
		border-top: 1px solid var(--line);
	}
	@media (max-width: 999px) {
		.round {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
