import { v7 as uuid } from 'uuid';
import { sent } from '$lib/device/send';
import type { BookingDraft } from './diary/booking';

/** Books some visits, all or none. @returns what is in the way */
export const bookAll = (drafts: readonly Omit<BookingDraft, 'promised'>[]): Promise<string | undefined> =>
	sent('POST', '/api/bookings', { bookings: drafts.map((draft) => ({ ...draft, promised: '', id: uuid() })) });
