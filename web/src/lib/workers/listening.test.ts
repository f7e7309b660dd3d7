import { equalHz, hz, USUAL_HABITS, type ListenerEvent } from '@fendrel/core';
import { describe, expect, it, vi } from 'vitest';
import { inRoom, struckKey, UPRIGHT } from '../../../../core/fixtures/upright';
import { listeningJobs } from './listening.jobs';

const RATE = 48_000;
const BLOCK = 1024;
const setup = {
	sampleRate: RATE,
	lowest: 21,
	highest: 108,
	a4: 440,
	inharmonicity: Array.from({ length: 88 }, (_, i) => UPRIGHT.inharmonicityAt(21 + i)),
	habits: USUAL_HABITS
};

describe('listening in a worker', () => {
	it('breaks off a strike of which sound was lost, says so, and reads the next one', async () => {
		const { port1, port2 } = new MessageChannel();
		const jobs = listeningJobs();
		const end = new AbortController();
		const told: ListenerEvent[] = [];
		const tell = ({ events }: { events: readonly ListenerEvent[] }) => void told.push(...events);
		const inHand = { signal: end.signal, tell, pause: () => Promise.resolve() };
		const listening = jobs.listen({ setup, samples: port2, live: true, strikes: undefined }, inHand);
		const ended = expect(listening).rejects.toThrow();
		jobs.expect({ note: 60, pitch: equalHz(60, hz(440)) }, { ...inHand, tell: () => {} });

		const sound = inRoom(
			[0.3, 2.3].map((at) => ({ at, sound: struckKey(60) })),
			4.2
		);
		for (let from = 0; from + BLOCK <= sound.length; from += BLOCK) {
			const at = from / RATE;
			// A fifth of a second of the first strike does not come.
			if (at > 0.4 && at < 0.6) continue;
			port1.postMessage({ from, samples: sound.slice(from, from + BLOCK) });
		}
		await vi.waitFor(() => expect(told.some(({ kind }) => kind === 'reading')).toBe(true), { timeout: 20_000 });
		const strikes = told.filter(({ kind }) => kind !== 'level' && kind !== 'settling');
		expect(strikes.slice(0, 3)).toMatchObject([
			{ kind: 'strike', at: expect.closeTo(0.3, 1) },
			{ kind: 'refused', why: 'interrupted' },
			{ kind: 'ended' }
		]);
		const reading = told.flatMap((event) => (event.kind === 'reading' ? [event.reading] : []))[0];
		expect(reading.note).toBe(60);
		expect(reading.struckAt).toBeCloseTo(2.3, 1);
		end.abort(new DOMException('Given up', 'AbortError'));
		await ended;
		port1.close();
	}, 30_000);
});
