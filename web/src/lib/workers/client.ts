import { handedWith, type Asked, type Said, type Tasks } from './protocol';

/** A worker that goes on for so long after its job was given up is ended. */
const PATIENCE_MS = 500;

export interface RunOptions<Tells> {
	readonly signal?: AbortSignal;
	readonly onProgress?: (told: Tells) => void;
}

interface Running {
	readonly task: string;
	readonly job: unknown;
	readonly handed: Transferable[];
	readonly settle: (said: Said) => void;
	sent: boolean;
	/** Nobody waits for it any more; the worker has not said that it stopped. */
	givenUp: boolean;
	patience?: ReturnType<typeof setTimeout>;
}

/** Whether something ended because nobody wanted it any more. */
export const isGivenUp = (fault: unknown): boolean => fault instanceof DOMException && fault.name === 'AbortError';

/**
 * A worker as a page sees it. It is opened with the first job. The newest job of a task wins: an older one is given
 * up, and ends with an AbortError. A worker that does not stop is ended, and what else it had in hand begins anew.
 */
export class WorkerClient<T extends Tasks<T>> {
	private worker: Worker | undefined;
	private ready = false;
	private closed = false;
	private count = 0;
	private readonly running = new Map<number, Running>();
	private readonly newest = new Map<string, number>();

	/** @param mayEnd whether a worker that does not stop may be ended; not one that holds what cannot be handed over twice */
	constructor(
		private readonly make: () => Worker,
		private readonly mayEnd = true
	) {}

	/** @throws AbortError when it was given up, by its signal, by a newer one or by `close`; Error when the worker failed */
	run<K extends keyof T & string>(
		task: K,
		job: T[K]['takes'],
		{ signal, onProgress }: RunOptions<T[K]['tells']> = {}
	): Promise<T[K]['gives']> {
		const before = this.newest.get(task);
		if (before !== undefined) this.giveUp(before);
		const id = ++this.count;
		return new Promise((resolve, reject) => {
			if (this.closed || signal?.aborted) return reject(new DOMException('Given up', 'AbortError'));
			const onAbort = () => this.giveUp(id);
			signal?.addEventListener('abort', onAbort, { once: true });
			const settle = (said: Said) => {
				if (said.is === 'told') return onProgress?.(said.told as T[K]['tells']);
				signal?.removeEventListener('abort', onAbort);
				if (this.newest.get(task) === id) this.newest.delete(task);
				if (said.is === 'done') resolve(said.given as T[K]['gives']);
				else if (said.is === 'failed') reject(new Error(said.why));
				else reject(new DOMException('Given up', 'AbortError'));
			};
			this.newest.set(task, id);
			this.running.set(id, { task, job, handed: handedWith(job), settle, sent: false, givenUp: false });
			this.send();
		});
	}

	private send(): void {
		if (!this.worker) this.open();
		if (!this.ready) return;
		for (const [id, each] of this.running) {
			if (each.sent) continue;
			each.sent = true;
			const { task, job, handed } = each;
			this.worker!.postMessage({ do: 'run', id, task, job } satisfies Asked, handed);
		}
	}

	private open(): void {
		const worker = this.make();
		this.worker = worker;
		worker.onmessage = ({ data }: MessageEvent<Said>) => this.hear(data);
		// A script that cannot be loaded, or throws outside of every job.
		worker.onerror = (event) => this.fail(event.message || 'The background work could not be started.');
		worker.onmessageerror = () => this.fail('The background work gave an answer that cannot be read.');
	}

	private hear(said: Said): void {
		if (said.is === 'ready') {
			this.ready = true;
			return this.send();
		}
		const one = this.running.get(said.id);
		if (!one) return;
		if (said.is !== 'told') this.running.delete(said.id);
		if (said.is !== 'told') clearTimeout(one.patience);
		if (!one.givenUp) one.settle(said);
	}

	private giveUp(id: number): void {
		const one = this.running.get(id);
		if (!one || one.givenUp) return;
		one.settle({ is: 'given up', id });
		if (!one.sent) return void this.running.delete(id);
		one.givenUp = true;
		this.worker!.postMessage({ do: 'give up', id } satisfies Asked, []);
		if (this.mayEnd) one.patience = setTimeout(() => this.restart(), PATIENCE_MS);
	}

	/** Ends a worker that does not stop; jobs that somebody still waits for begin anew in another. */
	private restart(): void {
		this.end();
		for (const [id, one] of this.running) {
			clearTimeout(one.patience);
			if (!one.givenUp && one.handed.length === 0) {
				one.sent = false;
				continue;
			}
			this.running.delete(id);
			// What was handed over is gone with the worker.
			if (!one.givenUp) one.settle({ is: 'failed', id, why: 'The background work was cut off.' });
		}
		if (this.running.size) this.send();
	}

	private fail(why: string): void {
		this.end();
		this.settleAll((id) => ({ is: 'failed', id, why }));
	}

	private settleAll(said: (id: number) => Said): void {
		const all = [...this.running];
		this.running.clear();
		for (const [id, one] of all) {
			clearTimeout(one.patience);
			if (!one.givenUp) one.settle(said(id));
		}
	}

	private end(): void {
		this.worker?.terminate();
		this.worker = undefined;
		this.ready = false;
	}

	/** Ends the worker; nothing is run afterwards. */
	close(): void {
		this.closed = true;
		this.end();
		this.settleAll((id) => ({ is: 'given up', id }));
	}
}
