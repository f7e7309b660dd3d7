import { clock as clockOfWindow, type DeviceClock, type Stamp } from '$lib/device/clock';
import { Connection, connection, type State } from '$lib/device/connection.svelte';
import { signedInHere } from '$lib/device/owner';
import { keepClocks, keptClocks } from '$lib/device/shelf';
import type { Owner, Queued, Refused } from '$lib/device/store';
import { openOutbox, type Made, type Outbox } from './outbox';
import { idOf, isEntry, type Answer } from '$lib/record/format';

/** Items to a batch; a whole visit that waited goes in some dozens. */
const BATCH = 40;
const FIRST_PAUSE = 1000;
const LONGEST_PAUSE = 15_000;
/** Whoever holds this lock sends; other windows of the browser wait for their turn. */
const SENDER = 'fendrel.sender';
const NEWS = 'fendrel.handover';

const TROUBLES: Record<Exclude<State, 'there' | 'slow'>, string> = {
	away: 'The server does not answer. Go on tuning: readings wait on this device and are sent when it is back.',
	'no database': 'The database does not answer. Go on tuning: readings wait on this device.',
	'signed out': 'You are signed out. Sign in again; readings wait on this device.'
};
const UNKEPT =
	'This device cannot store what you measure: its storage is full or closed to this page. Keep the page open until everything is saved.';

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
	/** Whether anybody has looked yet what waits. */
	looked = $state(false);
	/** Since when the oldest of them waits, by visit; and the oldest of all. */
	sinceOf = $state.raw<ReadonlyMap<string, Date>>(new Map());
	since = $state.raw<Date | undefined>();
	/** What others have made on this device, which waits until they sign in: how many entries, by name. */
	ofOthers = $state.raw<ReadonlyMap<string, number>>(new Map());
	/** Why they wait, as a sentence that says what to do; undefined while all is well. */
	trouble = $state<string | undefined>();
	refused = $state.raw<readonly Refused[]>([]);

	private opened: Promise<Outbox> | undefined;
	/** What the device did not keep: it lives as long as the page. */
	private unkept: Queued[] = [];
	private readonly listeners = new Set<() => void>();
	private stopped: AbortController | undefined;
	private running: Promise<boolean> | undefined;
	private again = false;
	private pause = FIRST_PAUSE;
	private timer: ReturnType<typeof setTimeout> | undefined;
	private news: BroadcastChannel | undefined;
	private unlisten: (() => void) | undefined;
	private readonly online = () => void this.flush();

	/** What is just being written to the device: until it is, it would be lost with the page. */
	keeping = $state(0);

	constructor(
		private readonly open: () => Promise<Outbox> = openOutbox,
		private readonly way: Connection = connection,
		private readonly clock: DeviceClock = clockOfWindow
	) {}

	/** Opened on first use: the server, which renders some pages once, has no store. */
	private get outbox(): Promise<Outbox> {
		return (this.opened ??= this.open());
	}

	/** Begins to send what waits, and whatever comes. */
	start(): void {
		if (this.stopped) return;
		this.stopped = new AbortController();
		if (typeof BroadcastChannel !== 'undefined') {
			this.news = new BroadcastChannel(NEWS);
			this.news.onmessage = () => {
				void this.count();
				this.tell();
			};
		}
		globalThis.addEventListener?.('online', this.online);
		this.unlisten = this.way.onReturn(this.online);
		void keptClocks()
			.then((known) => this.clock.recall(known))
			.then(() => this.count())
			.then(() => this.flush());
	}

	/** Sends nothing any more, not even what is on its way to be sent again. */
	stop(): void {
		this.stopped?.abort();
		this.stopped = undefined;
		clearTimeout(this.timer);
		globalThis.removeEventListener?.('online', this.online);
		this.unlisten?.();
		this.news?.close();
		this.news = undefined;
	}

	/** Stamps what happens now. */
	stamp(): Stamp {
		return this.clock.stamp();
	}

	/** Whether a device is this browser's, in this window or another. */
	isMine(device: string): boolean {
		return this.clock.offsets.has(device) || this.clock.name === device;
	}

	/** A moment of a device in the server's time, as far as its clock has been measured. */
	placed(device: string, at: number): number {
		return this.clock.placed(device, at);
	}

	/** Calls when something was made or handed over, in this window or another. @returns what ends it */
	onChange(listener: () => void): () => void {
		this.listeners.add(listener);
		return () => this.listeners.delete(listener);
	}

	private tell(): void {
		for (const listener of this.listeners) listener();
	}

	/** Keeps on the device what was made, and hands it over. A device that does not keep it says so at once. */
	async add(visitId: string, made: readonly Made[]): Promise<void> {
		this.keeping++;
		await this.keep(visitId, made).finally(() => this.keeping--);
		await this.count();
		this.news?.postMessage('changed');
		void this.flush();
	}

	private async keep(visitId: string, made: readonly Made[]): Promise<void> {
		const owner = await signedInHere();
		try {
			const outbox = await this.outbox;
			await outbox.add(visitId, made, owner);
			if (!outbox.kept) this.trouble = UNKEPT;
		} catch {
			const queuedAt = new Date();
			this.unkept.push(...made.map(({ item }) => ({ key: -1, visitId, queuedAt, item, owner })));
			this.trouble = UNKEPT;
		}
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
		return (this.running = this.turn(signal));
	}

	private async turn(signal: AbortSignal): Promise<boolean> {
		const isEmpty = await this.alone(() => this.run(signal)).finally(() => (this.running = undefined));
		// Something may have come when the last look was over and the lock not yet given back.
		return isEmpty && this.again ? this.flush() : isEmpty;
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
			const owner = await signedInHere();
			const batch = [...this.unkept, ...(await outbox.waiting(most, owner))].slice(0, most);
			if (batch.length === 0) {
				this.trouble = undefined;
				await this.count();
				if (this.again) continue;
				return true;
			}
			const sent = await this.send(batch, owner, signal);
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
		const settled = new Set(batch);
		this.unkept = this.unkept.filter((each) => !settled.has(each));
		await outbox.settle(stored, refused);
		this.trouble = this.unkept.length ? UNKEPT : undefined;
		await this.count();
		this.news?.postMessage('changed');
		this.tell();
	}

	private async send(batch: readonly Queued[], owner: Owner | undefined, signal: AbortSignal): Promise<Sent> {
		const devices = new Set(batch.map(({ item }) => (item as { device?: string } | null)?.device ?? ''));
		const clocks = Object.fromEntries([...this.clock.offsets].filter(([device]) => devices.has(device)));
		const answer = await this.way.ask<{ answers: Answer[] }>('/api/record', {
			method: 'POST',
			body: { now: new Date(), clocks, as: owner?.userId, items: batch.map(({ item }) => item) },
			signal
		});
		await keepClocks(this.clock.offsets);
		if (answer.kind === 'told')
			return answer.body.answers?.length === batch.length
				? { answers: answer.body.answers }
				: { trouble: TROUBLES.away };
		if (answer.kind === 'refused') return { unreadable: answer.message ?? `Answer ${answer.status}.` };
		if (answer.kind === 'signed out') return { trouble: answer.message ?? TROUBLES['signed out'] };
		return { trouble: TROUBLES[answer.kind] };
	}

	private retryLater(): void {
		this.timer = setTimeout(() => void this.flush(), this.pause);
		this.pause = Math.min(2 * this.pause, LONGEST_PAUSE);
	}

	private async count(): Promise<void> {
		const outbox = await this.outbox;
		const me = await signedInHere();
		const of = new Map<string, number>();
		const since = new Map<string, Date>();
		const others = new Map<string, number>();
		for (const { visitId, item, queuedAt, owner } of [...(await outbox.all()), ...this.unkept]) {
			if (!isEntry(item)) continue;
			if (owner && owner.userId !== me?.userId) {
				others.set(owner.name, (others.get(owner.name) ?? 0) + 1);
				continue;
			}
			of.set(visitId, (of.get(visitId) ?? 0) + 1);
			const oldest = since.get(visitId);
			if (!oldest || queuedAt < oldest) since.set(visitId, queuedAt);
		}
		this.byVisit.of = of;
		this.sinceOf = since;
		this.ofOthers = others;
		this.since = [...since.values()].reduce<Date | undefined>(
			(oldest, at) => (oldest && oldest <= at ? oldest : at),
			undefined
		);
		this.refused = await outbox.refused();
		this.looked = true;
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
