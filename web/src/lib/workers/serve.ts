import { handedWith, type Asked, type Said, type Tasks } from './protocol';

/** What a task in hand may do besides its work. */
export interface InHand<Tells> {
	/** Aborted as soon as nobody waits for it any more. */
	readonly signal: AbortSignal;
	tell(told: Tells): void;
	/** Lets messages in; throws when the job was given up. */
	pause(): Promise<void>;
}

export type Handlers<T extends Tasks<T>> = {
	readonly [K in keyof T]: (
		job: T[K]['takes'],
		inHand: InHand<T[K]['tells']>
	) => T[K]['gives'] | Promise<T[K]['gives']>;
};

/** Where messages come in and go out: a worker's own scope, or a port. */
export interface Line {
	postMessage(message: unknown, handed: Transferable[]): void;
	onmessage: ((event: MessageEvent) => void) | null;
}

/** Does a worker's tasks for as long as it lives. */
export function serve<T extends Tasks<T>>(handlers: Handlers<T>, line: Line = self as unknown as Line): void {
	const running = new Map<number, AbortController>();
	const say = (said: Said, value?: unknown) => line.postMessage(said, handedWith(value));
	async function run(id: number, task: keyof T, job: unknown): Promise<void> {
		const given = new AbortController();
		const { signal } = given;
		running.set(id, given);
		try {
			const result = await handlers[task](job as T[keyof T]['takes'], {
				signal,
				tell: (told) => !signal.aborted && say({ is: 'told', id, told }, told),
				async pause() {
					await new Promise((resolve) => setTimeout(resolve));
					signal.throwIfAborted();
				}
			});
			signal.throwIfAborted();
			say({ is: 'done', id, given: result }, result);
		} catch (fault) {
			say(signal.aborted ? { is: 'given up', id } : { is: 'failed', id, why: (fault as Error).message });
		} finally {
			running.delete(id);
		}
	}
	line.onmessage = ({ data }: MessageEvent<Asked>) => {
		if (data.do === 'run') void run(data.id, data.task as keyof T, data.job);
		else running.get(data.id)?.abort();
	};
	say({ is: 'ready' });
}

/** Settles once nobody waits for it any more. */
export const untilGivenUp = (signal: AbortSignal) =>
	new Promise<never>((_, reject) => signal.addEventListener('abort', () => reject(signal.reason), { once: true }));
