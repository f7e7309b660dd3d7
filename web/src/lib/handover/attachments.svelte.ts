import { connection, type Connection } from '$lib/device/connection.svelte';
import { signedInHere } from '$lib/device/owner';
import { deviceStore, type HeldAttachment } from '$lib/device/store';
import { handOver, type HandOver } from './handOver.svelte';

/** Longest that an attachment waits before it is tried again by itself. */
const AGAIN_MS = 15_000;
/** A photo over a telephone's connection. */
const LIMIT_MS = 60_000;
const SENDER = 'fendrel.attachments';

/**
 * Photos and sounds made here: kept on the device at once, and sent when the record that they belong to has gone. What the
 * device has no room for is kept as long as the page.
 */
export class Attachments {
	/** How those that are known here stand. */
	states = $state.raw<ReadonlyMap<string, Pick<HeldAttachment, 'state' | 'why'>>>(new Map());
	/** Whether the device keeps them. */
	kept = $state(true);
	private readonly unkept = new Map<string, HeldAttachment>();
	private timer: ReturnType<typeof setTimeout> | undefined;
	private sending: Promise<void> | undefined;

	constructor(
		private readonly way: Connection = connection,
		private readonly record: Pick<HandOver, 'onChange'> = handOver
	) {}

	/** Begins to send what waits. @returns what ends it */
	start(): () => void {
		const now = () => void this.send();
		const ends = [this.record.onChange(now), this.way.onReturn(now)];
		now();
		return () => {
			clearTimeout(this.timer);
			for (const end of ends) end();
		};
	}

	async add(visitId: string, id: string, bytes: Blob): Promise<void> {
		const held: HeldAttachment = { id, visitId, owner: await signedInHere(), bytes, state: 'waits' };
		const store = await deviceStore();
		const isKept = await store?.put('attachments', held).then(
			() => true,
			() => false
		);
		if (!isKept) {
			this.unkept.set(id, held);
			this.kept = false;
		}
		this.tell(held);
		void this.send();
	}

	/** Its bytes: from the device where that holds them, else from the server; undefined when neither tells them. */
	async bytes(visitId: string, id: string): Promise<Blob | undefined> {
		const store = await deviceStore();
		const held = this.unkept.get(id) ?? (await store?.get('attachments', id));
		if (held) {
			this.tell(held);
			return held.bytes;
		}
		const answer = await fetch(`/api/visits/${visitId}/attachments/${id}`).catch(() => undefined);
		if (!answer?.ok) return undefined;
		const bytes = await answer.blob();
		// For when there is no server.
		await store?.put('attachments', { id, visitId, owner: await signedInHere(), bytes, state: 'sent' }).catch(() => {});
		return bytes;
	}

	/** Sends what waits; whoever asks meanwhile waits for the same. */
	send(): Promise<void> {
		clearTimeout(this.timer);
		const work = () => this.sendAll();
		this.sending ??= (navigator.locks ? navigator.locks.request(SENDER, work) : work()).finally(
			() => (this.sending = undefined)
		) as Promise<void>;
		return this.sending;
	}

	private async sendAll(): Promise<void> {
		const store = await deviceStore();
		const me = await signedInHere();
		const all = [...this.unkept.values(), ...((await store?.getAll('attachments')) ?? [])];
		for (const each of all.filter(({ state }) => state === 'waits')) {
			if (each.owner && each.owner.userId !== me?.userId) continue;
			const { id, visitId, bytes } = each;
			const path = `/api/visits/${visitId}/attachments/${id}`;
			const answer = await this.way.ask(path, { method: 'PUT', body: bytes, limit: LIMIT_MS });
			// A visit that was begun here may have to go first: it holds up no other.
			const isUnknown = answer.kind === 'refused' && answer.status === 404;
			if (isUnknown || (answer.kind !== 'told' && answer.kind !== 'refused')) {
				clearTimeout(this.timer);
				this.timer = setTimeout(() => void this.send(), AGAIN_MS);
				if (isUnknown) continue;
				return;
			}
			const now: HeldAttachment =
				answer.kind === 'refused'
					? { ...each, state: 'refused', why: answer.message ?? `Answer ${answer.status}.` }
					: { ...each, state: 'sent' };
			if (this.unkept.has(id)) this.unkept.set(id, now);
			else await store?.put('attachments', now).catch(() => {});
			this.tell(now);
		}
	}

	private tell({ id, state, why }: HeldAttachment): void {
		this.states = new Map([...this.states, [id, { state, why }]]);
	}
}

/** The one of this window. */
export const attachments = new Attachments();
