/** A figure that may err by more (standard error, in cents) tells roughly where a string stands, and decides nothing. */
const CERTAIN_CENTS = 0.8;

/** Whether a figure with such a standard error, in cents, is one to go by; one without a stated error is taken for it. */
export function isCertain(error: number | null | undefined): boolean {
	return error === null || error === undefined || error <= CERTAIN_CENTS;
}
