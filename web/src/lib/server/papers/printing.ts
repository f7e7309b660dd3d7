import { cardPdf } from './cardPdf';
import { planPdf } from './planPdf';
import { reportPdf } from './reportPdf';
import { statementPdf } from './statementPdf';
import { writtenFor } from '../written';
import type { Writing } from '$lib/ui/writing';

const MAKE = { report: reportPdf, card: cardPdf, plan: planPdf, statement: statementPdf } as const;

export type Printed = keyof typeof MAKE;
export type Facts<P extends Printed> = Parameters<(typeof MAKE)[P]>;

export interface PrintJob<P extends Printed = Printed> {
	readonly printed: P;
	readonly facts: Facts<P>;
	/** How whoever reads it writes: a thread knows of no request. */
	readonly writing: Writing;
}

/** Where this module lies once it is built: a thread begins with it. */
export const here = import.meta.url;

/** Sets a paper. What a thread is asked. */
export default function print({ printed, facts, writing }: PrintJob): Promise<Uint8Array> {
	return writtenFor(writing, () => (MAKE[printed] as (...facts: unknown[]) => Promise<Uint8Array>)(...facts));
}
