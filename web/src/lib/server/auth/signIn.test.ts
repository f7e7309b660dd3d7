import { describe, expect, it } from 'vitest';
import { signIn } from './signIn';
import { saveSession, sessionByToken } from '../db/stores/accounts';
import { isKnownDevice, rememberDevice } from '../db/stores/knownDevices';
import { newWorkshop, withDatabase } from '../tests/parts';

withDatabase();

describe('sign-in', () => {
	it('lets in with the right password, in any case of the address, and never stores a token', async () => {
		const me = await newWorkshop();
		expect(await signIn(me.email.toUpperCase(), 'a long password', { address: '10.0.0.1' })).toEqual({
			kind: 'welcome',
			userId: me.userId
		});
		await saveSession('d'.repeat(64), me.userId, new Date(Date.now() + 1000));
		expect((await sessionByToken('d'.repeat(64)))?.workshop.id).toBe(me.workshopId);
		await saveSession('e'.repeat(64), me.userId, new Date(Date.now() - 1000));
		expect(await sessionByToken('e'.repeat(64))).toBeUndefined();
	});

	it('closes after five wrong passwords, for that account and address only', async () => {
		const { email } = await newWorkshop();
		for (let i = 0; i < 5; i++)
			expect(await signIn(email, 'wrong', { address: '10.0.0.2' })).toEqual({ kind: 'wrong' });
		expect(await signIn(email, 'a long password', { address: '10.0.0.2' })).toMatchObject({ kind: 'too many' });
		expect(await signIn(email, 'a long password', { address: '10.0.0.3' })).toMatchObject({ kind: 'welcome' });
		expect(await signIn('nobody@example.test', 'wrong', { address: '10.0.0.4' })).toEqual({ kind: 'wrong' });
	});

	it('looks at five of a hundred passwords that come at once', async () => {
		const { email } = await newWorkshop();
		const all = await Promise.all(Array.from({ length: 30 }, () => signIn(email, 'wrong', { address: '10.0.0.6' })));
		expect(all.filter(({ kind }) => kind === 'wrong')).toHaveLength(5);
		expect(all.filter(({ kind }) => kind === 'too many')).toHaveLength(25);
		// The right ones in between forgive what was counted.
		for (let i = 0; i < 12; i++)
			expect(await signIn(email, i % 3 ? 'wrong' : 'a long password', { address: '10.0.0.7' })).not.toMatchObject({
				kind: 'too many'
			});
	});

	it('slows down those who try one account from many addresses, and never its owner’s own device', async () => {
		const { email, userId } = await newWorkshop();
		await rememberDevice('a'.repeat(64), userId);
		// A hundred wrong passwords, each from an address of its own.
		const tried = await Promise.all(
			Array.from({ length: 60 }, (_, i) => signIn(email, 'wrong', { address: `10.1.0.${i}` }))
		);
		// Twenty at once, then one a second for ten seconds; the rest is asked to come again.
		expect(tried.filter(({ kind }) => kind === 'wrong').length).toBeLessThanOrEqual(20 + 12);
		expect(tried.filter(({ kind }) => kind === 'crowded').length).toBeGreaterThanOrEqual(28);
		const own = { address: '10.1.0.1', device: 'a'.repeat(64) };
		expect(await signIn(email, 'a long password', own)).toMatchObject({ kind: 'welcome' });
		// For this account only.
		expect(await isKnownDevice('a'.repeat(64), (await newWorkshop()).userId)).toBe(false);
	});
});
