import { format } from 'date-fns';
import { endOf, type ToldBooking } from './diary/booking';
import { counted } from '$lib/ui/format';

/** Hours that a day shows at least. */
const USUAL = { from: 8, to: 17 } as const;
const WORDS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];

export interface DayBlock {
	readonly booking: ToldBooking;
	/** Hours from the top, and hours long. */
	readonly top: number;
	readonly hours: number;
	/** "9:00 to 10:30" */
	readonly time: string;
	/** Side by side with others of the same time. */
	readonly lane: number;
	readonly lanes: number;
}

const hourOf = (at: Date) => at.getHours() + at.getMinutes() / 60;

/** A day's bookings against its hours; what two people do at the same time stands side by side. */
export function dayLine(bookings: readonly ToldBooking[]) {
	const starts = bookings.map(({ startsAt }) => hourOf(new Date(startsAt)));
	const ends = bookings.map((booking, i) => starts[i] + booking.minutes / 60);
	const from = Math.floor(Math.min(USUAL.from, ...starts));
	const to = Math.ceil(Math.max(USUAL.to, ...ends));
	const lanes: number[] = [];
	for (const [i, start] of starts.entries()) {
		const beside = lanes.filter((_, j) => ends[j] > start && starts[j] < ends[i]);
		lanes.push([0, 1, 2, 3, 4, 5, 6, 7].find((lane) => !beside.includes(lane)) ?? 0);
	}
	const many = Math.max(0, ...lanes) + 1;
	const blocks = bookings.map((booking, i): DayBlock => ({
		...{ booking, top: starts[i] - from, hours: booking.minutes / 60, lane: lanes[i], lanes: many },
		time: `${format(new Date(booking.startsAt), 'H:mm')} to ${format(endOf(booking), 'H:mm')}`
	}));
	return { from, to, hours: Array.from({ length: to - from + 1 }, (_, i) => from + i), blocks };
}

/** "Tuesday: three visits to seven instruments, home by 17:40." */
export function dayHeadline(bookings: readonly ToldBooking[], day: Date): string {
	const name = format(day, 'EEEE');
	if (bookings.length === 0) return `${name}: nothing is booked.`;
	const last = bookings.reduce((late, each) => (endOf(each) > endOf(late) ? each : late));
	const home = new Date(endOf(last).getTime() + last.fromHome * 60_000);
	const many = new Set(bookings.flatMap(({ named }) => named.map(({ id }) => id))).size;
	const visits = `${WORDS[bookings.length] ?? bookings.length} ${bookings.length === 1 ? 'visit' : 'visits'}`;
	const to = many > bookings.length ? ` to ${counted(many, 'instrument')}` : '';
	return `${name}: ${visits}${to}, home by ${format(home, 'H:mm')}.`;
}
