<script lang="ts">
	import { untrack } from 'svelte';
	import { sent } from '$lib/device/send';
	import { bookingTitle, type ToldBooking } from './booking';
	import BookingForm from './BookingForm.svelte';
	import CalendarAddresses from './CalendarAddresses.svelte';
	import DiaryCalendar from './DiaryCalendar.svelte';
	import type { DiaryGround } from './ground';
	import type { CalendarReader } from './reader';

	interface Props {
		bookings: readonly ToldBooking[];
		ground: DiaryGround;
		addresses: readonly CalendarReader[];
		/** The day that is looked at, and what a new booking is for. */
		date: Date;
		instruments: readonly string[];
		/** Told that something else stands there now. */
		onchange: () => Promise<void>;
	}
	let { bookings, ground, addresses, date, instruments, onchange }: Props = $props();

	const morning = (day: Date) => new Date(day.getFullYear(), day.getMonth(), day.getDate(), 9);
	let chosen = $state<string>();
	let fresh = $state.raw(untrack(() => ({ at: morning(date), minutes: undefined as number | undefined, instruments })));
	let said = $state<string>();
	let problem = $state<string>();
	/** Forms begin anew. */
	let turn = $state(0);
	const booking = $derived(bookings.find(({ id }) => id === chosen));

	function pick(at: Date, minutes: number) {
		chosen = undefined;
		// Of a month only the day is known.
		const isDay = at.getHours() === 0 && at.getMinutes() === 0;
		fresh = { at: isDay ? morning(at) : at, minutes: isDay ? undefined : minutes, instruments };
		turn++;
	}
	async function done(words: string) {
		[said, problem, chosen] = [words, undefined, undefined];
		turn++;
		await onchange();
	}
	/** Dropped elsewhere: kept there, or said why not, and it stands where it stood. */
	async function move(id: string, startsAt: Date, minutes: number) {
		const moved = bookings.find((each) => each.id === id);
		if (!moved) return;
		const { userId, locationId, purpose, promised, version } = moved;
		problem = await sent('PUT', `/api/bookings/${id}`, {
			...{ userId, locationId, purpose, promised, version, minutes },
			...{ instruments: moved.named.map((each) => each.id), startsAt: startsAt.toISOString() }
		});
		said = problem ? undefined : `${bookingTitle(moved)}: moved.`;
		turn++;
		await onchange();
	}
</script>

<div class="view">
	<div>
		<DiaryCalendar
			{bookings}
			{chosen}
			{date}
			onopen={(id) => ([chosen, said, problem] = [id, undefined, undefined])}
			onmove={move}
			onpick={pick}
		/>
		<p class="soft">
			Drag a visit to move it, its lower edge to make it longer; or open it with Enter and write its day and hour.
		</p>
	</div>
	<aside>
		{#if said}<p role="status">{said}</p>{/if}
		{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
		{#key `${chosen} ${booking?.version} ${turn}`}
			<BookingForm {ground} {booking} {fresh} ondone={done} />
		{/key}
		{#if booking}<button class="choice" onclick={() => (chosen = undefined)}>A new booking instead</button>{/if}
		<CalendarAddresses {addresses} />
	</aside>
</div>

<style>
	.view {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 21rem;
		gap: 2rem;
		align-items: start;
	}
	aside {
		display: grid;
		gap: 0.6rem;
	}
	@media (max-width: 999px) {
		.view {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
