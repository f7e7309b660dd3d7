import { hash, verify } from '@node-rs/argon2';
import { userByEmail } from '../db/stores/accounts';
import { countAttempt, forgiveAttempt, type Attempts } from '../db/stores/signInAttempts';

/** Wrong passwords allowed per account and address, and per address alone, in a quarter of an hour. */
const WINDOW_SECONDS = 900;
const BY_ACCOUNT = 5;
const BY_ADDRESS = 40;

export type SignInResult =
	| { readonly kind: 'welcome'; readonly userId: string }
	| { readonly kind: 'wrong' }
	| { readonly kind: 'too many'; readonly minutes: number };

export function hashPassword(password: string): Promise<string> {
	return hash(password);
}

/** Verified against when there is no such account, so that the answer takes as long either way. */
const NOBODY = hash('nobody has this password');

/** Every try is counted before its password is looked at: however many come at once, no more than allowed are. */
export async function signIn(email: string, password: string, address: string): Promise<SignInResult> {
	const account = `account ${address} ${email.toLowerCase()}`;
	const from = `address ${address}`;
	const byAddress = await countAttempt(from, WINDOW_SECONDS);
	if (byAddress.tries > BY_ADDRESS) return tooMany(byAddress);
	const byAccount = await countAttempt(account, WINDOW_SECONDS);
	if (byAccount.tries > BY_ACCOUNT) return tooMany(byAccount);
	const user = await userByEmail(email);
	const right = await verify(user?.passwordHash ?? (await NOBODY), password);
	if (!user || !right) return { kind: 'wrong' };
	await forgiveAttempt(account, true);
	await forgiveAttempt(from, false);
	return { kind: 'welcome', userId: user.id };
}

function tooMany({ left }: Attempts): SignInResult {
	return { kind: 'too many', minutes: Math.max(1, Math.ceil(left / 60_000)) };
}
