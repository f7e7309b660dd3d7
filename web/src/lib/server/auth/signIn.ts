import { setTimeout as pause } from 'node:timers/promises';
import { hash, verify } from '@node-rs/argon2';
import { userByEmail } from '../db/stores/accounts';
import { isKnownDevice } from '../db/stores/knownDevices';
import { countAttempt, forgiveAttempt, takeTurn, type Attempts } from '../db/stores/signInAttempts';
import { FairTurns, TooManyWaiting } from '../fairTurns';

/** Wrong passwords allowed per account and address, and per address alone, in a quarter of an hour. */
const WINDOW_SECONDS = 900;
const BY_ACCOUNT = 5;
const BY_ADDRESS = 40;

export type SignInResult =
	| { readonly kind: 'welcome'; readonly userId: string }
	| { readonly kind: 'wrong' }
	| { readonly kind: 'too many'; readonly minutes: number }
	/** Others try passwords for this account, or the server has too many to look at. */
	| { readonly kind: 'crowded' };

export function hashPassword(password: string): Promise<string> {
	return hash(password);
}

/** Verified against when there is no such account, so that the answer takes as long either way. */
const NOBODY = hash('nobody has this password');

/** A password takes a processor for a while and much memory: so many are looked at at once, and so many wait. */
const passwords = new FairTurns(2, 200);

/**
 * Wrong passwords for one account from anywhere, in a quarter of an hour; above that its tries go one by one, so far apart, and
 * whoever would wait longer than that is asked to come again. Devices on which its owner has signed in are not slowed.
 */
const FROM_ANYWHERE = 20;
const SLOWED = { every: 1000, most: 10_000 } as const;

/** Where somebody signs in from. */
export interface From {
	readonly address: string;
	/** Digest of what the device was given when somebody signed in there. */
	readonly device?: string;
}

/** Every try is counted before its password is looked at: however many come at once, no more than allowed are. */
export async function signIn(email: string, password: string, { address, device }: From): Promise<SignInResult> {
	const name = email.toLowerCase();
	const user = await userByEmail(email);
	const isKnown = user !== undefined && device !== undefined && (await isKnownDevice(device, user.id));
	const account = isKnown ? `device ${device} ${name}` : `account ${address} ${name}`;
	const from = `address ${address}`;
	const anywhere = `anywhere ${name}`;
	if (!isKnown) {
		const byAddress = await countAttempt(from, WINDOW_SECONDS);
		if (byAddress.tries > BY_ADDRESS) return tooMany(byAddress);
	}
	const byAccount = await countAttempt(account, WINDOW_SECONDS);
	if (byAccount.tries > BY_ACCOUNT) return tooMany(byAccount);
	if (!isKnown && (await countAttempt(anywhere, WINDOW_SECONDS)).tries > FROM_ANYWHERE) {
		const wait = await takeTurn(`turn ${name}`, SLOWED.every, SLOWED.most);
		if (wait === undefined) return { kind: 'crowded' };
		await pause(wait);
	}
	let right: boolean;
	try {
		const known = user?.passwordHash ?? (await NOBODY);
		right = await passwords.run(address, () => verify(known, password));
	} catch (fault) {
		if (fault instanceof TooManyWaiting) return { kind: 'crowded' };
		throw fault;
	}
	if (!user || !right) return { kind: 'wrong' };
	await forgiveAttempt(account, true);
	if (!isKnown) {
		await forgiveAttempt(from, false);
		await forgiveAttempt(anywhere, false);
	}
	return { kind: 'welcome', userId: user.id };
}

function tooMany({ left }: Attempts): SignInResult {
	return { kind: 'too many', minutes: Math.max(1, Math.ceil(left / 60_000)) };
}
