/** Closes what was opened when its lifetime ends; at once when that has been already. */
export function onEnd(lifetime: AbortSignal, close: () => void): void {
	if (lifetime.aborted) close();
	else lifetime.addEventListener('abort', close, { once: true });
}

/** Settles when the page is in sight; at once when it is. */
export function inSight(): Promise<void> {
	if (document.visibilityState === 'visible') return Promise.resolve();
	return new Promise((resolve) => {
		const look = () => {
			if (document.visibilityState !== 'visible') return;
			document.removeEventListener('visibilitychange', look);
			resolve();
		};
		document.addEventListener('visibilitychange', look);
	});
}
