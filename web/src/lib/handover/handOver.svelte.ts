import { v7 as uuid } from 'uuid';
import { openOutbox, type Outbox, type Queued, type Refused } from './outbox';
import { idOf, isEntry, isState, type Answer } from './format';

/** Items to a batch; a whole visit that waited goes in some dozens. */
const BATCH = 40;
const FIRST_PAUSE = 1000;
const LONGEST_PAUSE = 15_000;
/** Whoever holds this lock sends; other windows of the browser wait for their turn. */
const SENDER = 'fendrel.sender';
const NEWS = 'fendrel.handover';

const AWAY = 'The server does not answer. Go on tuning: readings wait on this device and are sent when it is back.';
const NO_DATABASE = 'The database does not answer. Go on tuning: readings wait on this device.';
const SIGNED_OUT = 'You are signed out. Sign in again in another tab; readings wait on this device.';
const UNKEPT =
	'This device does not keep what you measure: its storage is full or closed to this page. Leave the page open until everything is saved.';

/** What a batch came to. */
type Sent = { readonly answers: readonly Answer[] } | { readonly trouble: string } | { readonly unreadable: string };

/**
 * Hands over what is made on this device: one outbox for readings and acts of all visits, one sender for all pages. What
 * is refused is set aside and holds up nothing.
 */
export class HandOver {
	/** How many readings, and what was done with them, the server does not have yet, by visit. */
	readonly byVisit = $state<{ of: ReadonlyMap<string, number> }>({ of: new Map() });
	readonly waiting = $derived.by(() => [...this.byVisit.of.values()].reduce((sum, count) => sum + count, 0));
	/** Since when the oldest of them waits. */
	since = $state.raw<Date | undefined>();
	/** Why they wait, as a sentence that says what to do; undefined while all is well. */
	trouble = $state<string | undefined>();
	refused = $state.raw<readonly Refused[]>([]);
	/** Who makes what is made here: a name of this window's own, made anew each time it is opened. */
	readonly device = uuid();

	private counter = 0;
	private last = 0;
	private opened: Promise<Outbox> | undefined;
	/** What was made or sent by this window: a page that opens takes it from here, stored or not. */
	private readonly known = new Map<string, Map<string, unknown>>();
	/** What the device did not keep: it lives as long as the page. */
	private unkept: Queued[] = [];
	private stopped: AbortController | undefined;
	private running: Promise<boolean> | undefined;
	private again = false;
	private pause = FIRST_PAUSE;
	private timer: ReturnType<typeof setTimeout> | undefined;
	private news: BroadcastChannel | undefined;
	private readonly online = () => void this.flush();

	constructor(private readonly open: () => Promise<Outbox> = openOutbox) {}

	/** Opened on first use: the server, which renders the page once, has no store. */
	private get outbox(): Promise<Outbox> {
		return (this.opened ??= this.open());
	}

	/** Begins to send what waits, and whatever comes. */
	start(): void {
		if (this.stopped) return;
		this.stopped = new AbortController();
		if (typeof BroadcastChannel !== 'undefined') {
			this.news = new BroadcastChannel(NEWS);
			this.news.onmessage = () => void this.count();
		}
		globalThis.addEventListener?.('online', this.online);
		void this.count().then(() => this.flush());
	}

	/** Sends nothing any more, not even what is on its way to be sent again. */
	stop(): void {
		this.stopped?.abort();
		this.stopped = undefined;
		clearTimeout(this.timer);
		globalThis.removeEventListener?.('online', this.online);
		this.news?.close();
		this.news = undefined;
	}

	/** Stamps what happens now: the counter rises, and time never falls, whatever the clock is set to. */
	stamp(): { readonly id: string; readonly device: string; readonly counter: number; readonly at: number } {
		this.last = Math.max(Date.now(), this.last);
		return { id: uuid(), device: this.device, counter: ++this.counter, at: this.last };
	}

	/** Keeps on the device what is to be handed over, and hands it over. A device that does not keep it says so at once. */
	async add(visitId: string, items: readonly unknown[]): Promise<void> {
		this.remember(visitId, items);
		try {
			await (await this.outbox).add(visitId, items);
		} catch {
			const queuedAt = new Date();
			this.unkept.push(...items.map((item) => ({ key: -1, visitId, queuedAt, item })));
			this.trouble = UNKEPT;
		}
		await this.count();
		void this.flush();
	}

	/** What waits of a visit, and what this window has made or sent of it: a page that was loaded earlier may lack it. */
	async knownOf(visitId: string): Promise<unknown[]> {
		const waiting = (await (await this.outbox).all()).filter((each) => each.visitId === visitId);
		this.remember(
			visitId,
			waiting.map(({ item }) => item)
		);
		return [...(this.known.get(visitId)?.values() ?? [])];
	}

	private remember(visitId: string, items: readonly unknown[]): void {
		const known = this.known.get(visitId) ?? new Map<string, unknown>();
		for (const item of items) known.set(isState(item) ? 'state' : idOf(item), item);
		this.known.set(visitId, known);
	}

	/** Sends now. @returns true when nothing waits any more */
	flush(): Promise<boolean> {
		if (!this.stopped) return Promise.resolve(false);
		if (this.running) {
			this.again = true;
			return this.running;
		}
		clearTimeout(this.timer);
		const { signal } = this.stopped;
		this.running = this.alone(() => this.run(signal)).finally(() => (this.running = undefined));
		return this.running;
	}

	private async alone(work: () => Promise<boolean>): Promise<boolean> {
		const locks = globalThis.navigator?.locks;
		return locks ? await locks.request(SENDER, work) : work();
	}

	private async run(signal: AbortSignal): Promise<boolean> {
		const outbox = await this.outbox;
		let most = BATCH;
		while (!signal.aborted) {
			this.again = false;
			const batch = [...this.unkept, ...(await outbox.waiting(most))].slice(0, most);
			if (batch.length === 0) {
				this.trouble = undefined;
				await this.count();
				if (this.again) continue;
				return true;
			}
			const sent = await this.send(batch, signal);
			if (signal.aborted) return false;
			if ('trouble' in sent) {
				this.trouble = sent.trouble;
				this.retryLater();
				return false;
			}
			this.pause = FIRST_PAUSE;
			if ('unreadable' in sent) {
				// Something in it the server does not even read: smaller and smaller, until it is alone and set aside.
				if (batch.length > 1) most = Math.ceil(batch.length / 2);
				else await this.settle(outbox, batch, [{ id: idOf(batch[0].item), answer: 'refused', why: sent.unreadable }]);
				continue;
			}
			await this.settle(outbox, batch, sent.answers);
		}
		return false;
	}

	private async settle(outbox: Outbox, batch: readonly Queued[], answers: readonly Answer[]): Promise<void> {
		const stored: Queued[] = [];
		const refused: (Queued & { readonly why: string })[] = [];
		batch.forEach((each, i) => {
			const answer = answers[i];
			if (answer.answer === 'refused') refused.push({ ...each, why: answer.why });
			else stored.push(each);
		});
		for (const { visitId, item } of stored) this.remember(visitId, [item]);
		const settled = new Set(batch);
		this.unkept = this.unkept.filter((each) => !settled.has(each));
		await outbox.settle(stored, refused);
		this.trouble = this.unkept.length ? UNKEPT : undefined;
		await this.count();
		this.news?.postMessage('changed');
	}

	private async send(batch: readonly Queued[], signal: AbortSignal): Promise<Sent> {
		let answer: Response;
		try {
			answer = await fetch('/api/record', {
				method: 'POST',
				headers: { 'Content-Type': 'application/json' },
				body: JSON.stringify({ now: new Date(), items: batch.map(({ item }) => item) }),
				signal
			});
		} catch {
			return { trouble: AWAY };
		}
		const body: { answers?: Answer[]; message?: string } = await answer.json().catch(() => ({}));
		if (answer.ok && body.answers?.length === batch.length) return { answers: body.answers };
		if (answer.status === 401) return { trouble: SIGNED_OUT };
		if (answer.status === 503) return { trouble: NO_DATABASE };
		if (answer.status >= 400 && answer.status < 500) return { unreadable: body.message ?? `Answer ${answer.status}.` };
		return { trouble: AWAY };
	}

	private retryLater(): void {
		this.timer = setTimeout(() => void this.flush(), this.pause);
		this.pause = Math.min(2 * this.pause, LONGEST_PAUSE);
	}

	private async count(): Promise<void> {
		const outbox = await this.outbox;
		const all = [...(await outbox.all()), ...this.unkept];
		const of = new Map<string, number>();
		for (const { visitId, item } of all) if (isEntry(item)) of.set(visitId, (of.get(visitId) ?? 0) + 1);
		this.byVisit.of = of;
		this.since = all.reduce<Date | undefined>(
			(oldest, { queuedAt }) => (oldest && oldest <= queuedAt ? oldest : queuedAt),
			undefined
		);
		this.refused = await outbox.refused();
	}

	async sendAgain(id: string): Promise<void> {
		await (await this.outbox).sendAgain(id);
		await this.count();
		void this.flush();
	}

	async discard(id: string): Promise<void> {
		await (await this.outbox).discard(id);
		await this.count();
	}
}

/** The one of this window. */
export const handOver = new HandOver();
