<script lang="ts">
	import { writing } from '$lib/ui/writing';
	import { Calendar, DayGrid, Interaction, List, TimeGrid, type Calendar as Options } from '@event-calendar/core';
	import '@event-calendar/core/index.css';
	import { bookingTitle, endOf, type ToldBooking } from './booking';

	interface Props {
		bookings: readonly ToldBooking[];
		/** Which one is open beside it. */
		chosen: string | undefined;
		/** The day that it begins with; a day is chosen by name, for a page that came from there. */
		date: Date;
		onopen: (id: string) => void;
		/** Told where one was dropped, or how long it was made. */
		onmove: (id: string, startsAt: Date, minutes: number) => void;
		/** Told where nothing is booked yet. */
		onpick: (at: Date, minutes: number) => void;
	}
	let { bookings, chosen, date, onopen, onmove, onpick }: Props = $props();

	const minutesOf = ({ start, end }: { readonly start: Date; readonly end: Date }) =>
		Math.round((end.getTime() - start.getTime()) / 60_000);
	const events = $derived(
		bookings.map((booking) => ({
			id: booking.id,
			start: new Date(booking.startsAt),
			end: endOf(booking),
			title: bookingTitle(booking),
			classNames: booking.id === chosen ? ['chosen'] : [],
			extendedProps: { place: booking.place }
		}))
	);
	const moved = ({ event }: { event: { id: string | number; start: Date; end: Date } }) =>
		onmove(String(event.id), event.start, minutesOf(event));
	const options = $derived({
		...{
			view: 'timeGridWeek',
			date,
			firstDay: writing().weekStart === 'sunday' ? 0 : 1,
			events,
			locale: 'en-GB',
			height: '620px'
		},
		headerToolbar: {
			start: 'title',
			center: '',
			end: 'timeGridDay,timeGridWeek,dayGridMonth,listMonth today prev,next'
		},
		buttonText: { today: 'Today', timeGridDay: 'Day', timeGridWeek: 'Week', dayGridMonth: 'Month', listMonth: 'List' },
		...{ allDaySlot: false, nowIndicator: true, editable: true, selectable: true, flexibleSlotTimeLimits: true },
		...{
			slotMinTime: '07:00',
			slotMaxTime: '20:00',
			slotDuration: '00:30',
			snapDuration: '00:05',
			scrollTime: '07:30'
		},
		eventClick: ({ event }: { event: { id: string | number } }) => onopen(String(event.id)),
		...{ eventDrop: moved, eventResize: moved },
		select: ({ start, end }: { start: Date; end: Date }) => onpick(start, minutesOf({ start, end })),
		dateClick: ({ date: at }: { date: Date }) => onpick(at, 60)
	} as unknown as Options.Options);
</script>

<div class="diary">
	<Calendar plugins={[TimeGrid, DayGrid, List, Interaction]} {options} />
</div>

<style>
	.diary :global(.ec) {
		--ec-color-400: var(--soft);
		color-scheme: inherit;
		--ec-bg-color: var(--ground);
		--ec-text-color: var(--ink);
		--ec-border-color: var(--line);
		--ec-event-bg-color: var(--sheet);
		--ec-event-text-color: var(--ink);
		--ec-today-bg-color: var(--felt-wash);
		--ec-button-bg-color: transparent;
		--ec-button-border-color: var(--line);
		--ec-button-text-color: var(--ink);
		--ec-button-active-bg-color: var(--felt);
		--ec-button-active-border-color: var(--felt);
		--ec-button-active-text-color: var(--on-felt);
		--ec-now-indicator-color: var(--warn);
	}
	.diary :global(.ec-button) {
		min-height: 44px;
	}
	.diary :global(.ec-title) {
		font-family: var(--serif);
		font-size: 1.5rem;
		font-weight: 400;
	}
	.diary :global(.ec-event) {
		border: 1px solid var(--line);
		border-left: 4px solid var(--felt);
		box-shadow: none;
		border-radius: 3px;
	}
	.diary :global(.ec-event.chosen) {
		background: var(--felt-wash);
	}
	.diary :global(.ec-event:focus-visible) {
		outline: 3px solid var(--felt);
	}
</style>
