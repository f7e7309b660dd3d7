import type { KeptDay, KeptStop } from '$lib/device/keptDay';
import { capital, fixed } from '$lib/ui/format';
import { format } from 'date-fns';
import { bookingTitle, type ToldBooking } from './diary/booking';

/** The day's bookings as the device remembers them. */
export const stopsOf = (bookings: readonly ToldBooking[]): readonly KeptStop[] =>
	bookings.map((booking) => ({
		...{ id: booking.id, startsAt: booking.startsAt, title: bookingTitle(booking), instruments: booking.named },
		about: [booking.purpose, booking.promised && `promised: ${booking.promised}`, booking.entry, booking.place]
			.filter(Boolean)
			.map((said) => `${capital(said)}.`)
			.join(' ')
	}));

/** "Everything for today is on this device, 7:40; 1.2 MB." */
export function heldWords({ at, bytes, instruments, missing }: Omit<KeptDay, 'owner'>): string {
	if (missing > 0)
		return `${instruments - missing} of today’s ${instruments} instruments are on this device: it has no room for the others, or the network was gone.`;
	return `Everything for today is on this device, ${format(at, 'H:mm')}; ${fixed(bytes / 1e6, 1)} MB.`;
}
