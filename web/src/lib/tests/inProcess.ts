import type { Tasks } from '$lib/workers/protocol';
import type { Handlers } from '$lib/workers/serve';
import type { RunOptions } from '$lib/workers/client';

/** Runs the tasks of a worker where it is called, for tests. */
export function inProcess<T extends Tasks<T>>(handlers: Handlers<T>) {
	return {
		async run<K extends keyof T & string>(
			task: K,
			job: T[K]['takes'],
			{ signal = new AbortController().signal, onProgress }: RunOptions<T[K]['tells']> = {}
		): Promise<T[K]['gives']> {
			const tell = (told: T[K]['tells']) => onProgress?.(told);
			return handlers[task](structuredClone(job), { signal, tell, pause: async () => signal.throwIfAborted() });
		}
	};
}
