import { hash, verify } from '@node-rs/argon2';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { userByEmail } from '../db/stores/accounts';

/** Wrong passwords allowed per account and address, and per address alone, in a quarter of an hour. */
const WINDOW_SECONDS = 900;
const byAccount = new RateLimiterMemory({ points: 5, duration: WINDOW_SECONDS });
const byAddress = new RateLimiterMemory({ points: 40, duration: WINDOW_SECONDS });

export type SignInResult =
	| { readonly kind: 'welcome'; readonly userId: string }
	| { readonly kind: 'wrong' }
	| { readonly kind: 'too many'; readonly minutes: number };

export function hashPassword(password: string): Promise<string> {
	return hash(password);
}

/** Verified against when there is no such account, so that the answer takes as long either way. */
const NOBODY = hash('nobody has this password');

export async function signIn(email: string, password: string, address: string): Promise<SignInResult> {
	const key = `${address} ${email.toLowerCase()}`;
	for (const [limiter, of] of [
		[byAccount, key],
		[byAddress, address]
	] as const) {
		const used = await limiter.get(of);
		if (used && used.remainingPoints <= 0) return tooMany(used);
	}
	const user = await userByEmail(email);
	const right = await verify(user?.passwordHash ?? (await NOBODY), password);
	if (user && right) {
		await byAccount.delete(key);
		return { kind: 'welcome', userId: user.id };
	}
	try {
		await byAddress.consume(address);
		await byAccount.consume(key);
	} catch (limit) {
		if (limit instanceof RateLimiterRes) return tooMany(limit);
		throw limit;
	}
	return { kind: 'wrong' };
}

function tooMany({ msBeforeNext }: RateLimiterRes): SignInResult {
	return { kind: 'too many', minutes: Math.max(1, Math.ceil(msBeforeNext / 60_000)) };
}
