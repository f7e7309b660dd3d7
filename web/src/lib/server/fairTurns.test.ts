import { describe, expect, it } from 'vitest';
import { FairTurns, TooManyWaiting } from './fairTurns';

describe('heavy work in turns', () => {
	it('runs so much at once, and serves everybody in turn', async () => {
		const turns = new FairTurns(2, 200);
		const done: string[] = [];
		let [now, most] = [0, 0];
		const work = (from: string) =>
			turns.run(from, async () => {
				most = Math.max(most, ++now);
				await new Promise((resolve) => setTimeout(resolve, 1));
				now--;
				done.push(from);
			});
		await Promise.all([...Array.from({ length: 100 }, () => work('flood')), work('someone'), work('another')]);
		expect(most).toBe(2);
		expect(done).toHaveLength(102);
		// Two run already; then the lines take turns.
		expect(Math.max(done.indexOf('someone'), done.indexOf('another'))).toBeLessThan(8);
	});

	it('turns away what would wait too long, and goes on after work that failed', async () => {
		const turns = new FairTurns(1, 1);
		const held = turns.run('a', () => new Promise<void>((_, reject) => setTimeout(() => reject(new Error('no')), 5)));
		const waits = turns.run('b', async () => 'served');
		await expect(turns.run('c', async () => 'never')).rejects.toThrow(TooManyWaiting);
		await expect(held).rejects.toThrow('no');
		expect(await waits).toBe('served');
		expect(await turns.run('d', async () => 'and after')).toBe('and after');
	});
});
