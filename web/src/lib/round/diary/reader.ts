import { z } from 'zod';

/** Which calendar reads at an address. */
export const readerSchema = z.object({
	reader: z.string().trim().min(1, 'Say which calendar reads there.').max(60, 'At most 60 characters.')
});

export interface CalendarReader {
	readonly id: string;
	readonly reader: string;
	readonly madeAt: Date;
	readonly readAt: Date | null;
}
