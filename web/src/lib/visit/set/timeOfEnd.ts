const keyOf = (visitId: string) => `fendrel.until.${visitId}`;

/** When somebody has to be done with a visit, kept on this device; undefined: nobody has said. */
export function timeOfEnd(visitId: string): number | undefined {
	return Number(globalThis.localStorage?.getItem(keyOf(visitId))) || undefined;
}

export function keepTimeOfEnd(visitId: string, at: number | undefined): void {
	if (at === undefined) localStorage.removeItem(keyOf(visitId));
	else localStorage.setItem(keyOf(visitId), String(at));
}

/** The next time that a clock shows "16:40", in milliseconds since 1970; undefined for what is no time. */
export function nextAt(typed: string, now: Date): number | undefined {
	const [, hours, minutes] = /^(\d{1,2}):(\d{2})$/.exec(typed) ?? [];
	if (!hours || Number(hours) > 23 || Number(minutes) > 59) return undefined;
	const at = new Date(now);
	at.setHours(Number(hours), Number(minutes), 0, 0);
	if (at.getTime() <= now.getTime()) at.setDate(at.getDate() + 1);
	return at.getTime();
}
