import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { stayAwake } from './stayAwake';

let held = 0;
let seen: (() => void) | undefined;
const page = { visibilityState: 'visible' };
beforeEach(() => {
	held = 0;
	page.visibilityState = 'visible';
	vi.stubGlobal('document', {
		get visibilityState() {
			return page.visibilityState;
		},
		addEventListener: (_: string, does: () => void) => (seen = does),
		removeEventListener: () => (seen = undefined)
	});
	const request = async () => {
		held++;
		return { release: async () => void held-- };
	};
	vi.stubGlobal('navigator', { wakeLock: { request } });
});
afterEach(() => void vi.unstubAllGlobals());

describe('the screen', () => {
	it('stays on while something is listened to, and no longer', async () => {
		const lifetime = new AbortController();
		stayAwake(lifetime.signal);
		await vi.waitFor(() => expect(held).toBe(1));
		lifetime.abort();
		await vi.waitFor(() => expect(held).toBe(0));
		expect(seen).toBeUndefined();
	});

	it('is asked for again when the page comes back into sight', async () => {
		page.visibilityState = 'hidden';
		const lifetime = new AbortController();
		stayAwake(lifetime.signal);
		expect(held).toBe(0);
		page.visibilityState = 'visible';
		seen!();
		await vi.waitFor(() => expect(held).toBe(1));
	});

	it('goes off as usual where a browser cannot keep it on', () => {
		vi.stubGlobal('navigator', {});
		expect(() => stayAwake(new AbortController().signal)).not.toThrow();
	});
});
