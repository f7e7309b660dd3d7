import { cardPdf } from './cardPdf';
import { planPdf } from './planPdf';
import { reportPdf } from './reportPdf';

const MAKE = { report: reportPdf, card: cardPdf, plan: planPdf } as const;

export type Printed = keyof typeof MAKE;
export type Facts<P extends Printed> = Parameters<(typeof MAKE)[P]>;

export interface PrintJob<P extends Printed = Printed> {
	readonly printed: P;
	readonly facts: Facts<P>;
}

/** Where this module lies once it is built: a thread begins with it. */
export const here = import.meta.url;

/** Sets a paper. What a thread is asked. */
export default function print({ printed, facts }: PrintJob): Promise<Uint8Array> {
	return (MAKE[printed] as (...facts: unknown[]) => Promise<Uint8Array>)(...facts);
}
