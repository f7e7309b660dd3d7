/** Closes what was opened when its lifetime ends; at once when that has been already. */
export function onEnd(lifetime: AbortSignal, close: () => void): void {
	if (lifetime.aborted) close();
	else lifetime.addEventListener('abort', close, { once: true });
}
