import { onEnd } from './lifetime';

/**
 * Keeps the screen on as long as something is listened to: both hands are at the instrument. A browser that cannot, or that
 * has too little power left, goes on without; it is asked again when the page comes back into sight.
 */
export function stayAwake(lifetime: AbortSignal): void {
	const { wakeLock } = (globalThis.navigator ?? {}) as Partial<Navigator>;
	if (!wakeLock) return;
	let held: WakeLockSentinel | undefined;
	const ask = async () => {
		if (document.visibilityState !== 'visible' || lifetime.aborted) return;
		const lock = await wakeLock.request('screen').catch(() => undefined);
		if (lifetime.aborted) await lock?.release();
		else held = lock;
	};
	const again = () => void ask();
	document.addEventListener('visibilitychange', again);
	onEnd(lifetime, () => {
		document.removeEventListener('visibilitychange', again);
		void held?.release();
	});
	again();
}
