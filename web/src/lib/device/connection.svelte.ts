import { clock } from './clock';
import { NOW_HEADER } from './nowHeader';

/** How the server answers. */
export type State = 'there' | 'slow' | 'away' | 'no database' | 'signed out';

/** What came of a question to the server. */
export type Answer<Body> =
	| { readonly kind: 'told'; readonly body: Body }
	| { readonly kind: 'away' }
	| { readonly kind: 'no database' }
	| { readonly kind: 'signed out'; readonly message: string | undefined }
	| { readonly kind: 'refused'; readonly status: number; readonly message: string | undefined };

/** From here on it is worth a word that the server takes long. */
const SLOW_MS = 4000;
/** Longer than that nobody waits: the work goes on here, and it is asked again. */
const LIMIT_MS = 10_000;

interface Question {
	readonly method?: 'GET' | 'POST' | 'PUT' | 'DELETE';
	readonly body?: unknown;
	readonly signal?: AbortSignal;
	readonly limit?: number;
}

/** Bytes go as they are, everything else as JSON. */
function sendable(body: unknown): { headers: Record<string, string>; body: BodyInit } {
	return body instanceof Blob
		? { headers: { 'Content-Type': body.type || 'application/octet-stream' }, body }
		: { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) };
}

/** The way to the server: every question has a limit of time, and how it answers is said on every page. */
export class Connection {
	state = $state<State>('there');
	/** Since when it has not answered as it should. */
	since = $state.raw<Date | undefined>();
	/** Milliseconds that the server's clock is ahead of this device's. */
	clockOff = $state(0);
	private readonly listeners = new Set<() => void>();

	async ask<Body>(path: string, question: Question = {}): Promise<Answer<Body>> {
		const { method = 'GET', body, signal, limit = LIMIT_MS } = question;
		if (signal?.aborted) return { kind: 'away' };
		const slow = setTimeout(() => this.turn('slow'), SLOW_MS);
		const tooLong = new AbortController();
		const over = setTimeout(() => tooLong.abort(), limit);
		const began = performance.now();
		try {
			const answer = await fetch(path, {
				method,
				...(body !== undefined && sendable(body)),
				signal: signal ? AbortSignal.any([signal, tooLong.signal]) : tooLong.signal
			});
			const trip = performance.now() - began;
			const read = (await answer.json().catch(() => undefined)) as unknown;
			if (tooLong.signal.aborted) throw new DOMException('', 'TimeoutError');
			return this.heard<Body>(answer, read, trip);
		} catch {
			// Whoever asked may no longer want to know.
			if (!signal?.aborted) this.turn('away');
			return { kind: 'away' };
		} finally {
			clearTimeout(slow);
			clearTimeout(over);
		}
	}

	private heard<Body>(answer: Response, read: unknown, trip: number): Answer<Body> {
		const server = Number(answer.headers.get(NOW_HEADER));
		if (server > 0) this.clockOff = clock.measure(server, trip);
		const { message } = (read ?? {}) as { message?: string };
		if (answer.status === 401) {
			this.turn('signed out');
			return { kind: 'signed out', message };
		}
		if (answer.status === 503) {
			this.turn('no database');
			return { kind: 'no database' };
		}
		if (answer.status >= 500 || (answer.ok && read === undefined)) {
			this.turn('away');
			return { kind: 'away' };
		}
		this.turn('there');
		return answer.ok ? { kind: 'told', body: read as Body } : { kind: 'refused', status: answer.status, message };
	}

	private turn(state: State): void {
		if (state === this.state) return;
		// "Slow" says less than what was known of it already.
		if (state === 'slow' && this.state !== 'there') return;
		if (state === 'there') this.since = undefined;
		else if (this.state === 'there') this.since = new Date();
		this.state = state;
		if (state === 'there') for (const listener of this.listeners) listener();
	}

	/** Calls when the server answers again. @returns what ends it */
	onReturn(listener: () => void): () => void {
		this.listeners.add(listener);
		return () => this.listeners.delete(listener);
	}
}

/** The one of this window. */
export const connection = new Connection();
