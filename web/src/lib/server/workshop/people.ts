import { randomBytes } from 'node:crypto';
import { addDays } from 'date-fns';
import { ROLE_WORDS, type Role } from '$lib/workshop/roles';
import { digest, type Who } from '../auth/session';
import { hashPassword } from '../auth/signIn';
import { isDuplicate } from '../db/faults';
import { endSessionsOf, keepPassword, userById } from '../db/stores/accounts';
import { difference, noteChange } from '../db/stores/changes';
import { forgetDevices } from '../db/stores/knownDevices';
import { listLocations } from '../db/stores/locations';
import {
	createUser,
	endInvitation,
	invitationByToken,
	invitationsOf,
	keepRole,
	lockOwners,
	placesOfGuests,
	saveInvitation,
	usersOf
} from '../db/stores/people';
import { inTransaction } from '../db/transaction';
import { LAST_OWNER, type Refusal } from './deletion';

/* Who belongs to a workshop: invited by a link that works once, with a role that an owner can change. */

/** A link works for so long. */
const LINK_DAYS = 7;

export interface Place {
	readonly role: Role;
	/** Of a guest: what is seen, by the places' ids. */
	readonly places: readonly string[];
}

/** Everybody of a workshop, its open links, and its places. */
export async function peopleOf(workshopId: string) {
	const [users, invitations, places] = await Promise.all([
		usersOf(workshopId),
		invitationsOf(workshopId),
		listLocations(workshopId)
	]);
	const seen = await placesOfGuests(users.map(({ id }) => id));
	return {
		people: users.map(({ id, name, email, role }) => ({ id, name, email, role, places: seen.get(id)! })),
		invitations: invitations.map(({ tokenHash, role, userId, expiresAt }) => ({
			...{ role, expiresAt, id: tokenHash.slice(0, 16) },
			for: users.find(({ id }) => id === userId)?.name
		})),
		places: places.map(({ id, name, town }) => ({ id, name, town }))
	};
}

/** Places of the workshop only; a guest sees at least one. */
async function checkedPlaces(workshopId: string, { role, places }: Place): Promise<string[] | undefined> {
	if (role !== 'guest') return [];
	const known = new Set((await listLocations(workshopId)).map(({ id }) => id));
	const chosen = [...new Set(places)].filter((id) => known.has(id));
	return chosen.length ? chosen : undefined;
}
const NO_PLACE = 'Choose at least one place that the guest may see.';

/** Makes a link that lets one new person in. @returns its token */
export async function invite(
	who: Who,
	place: Place
): Promise<{ readonly token: string } | { readonly problem: string }> {
	const places = await checkedPlaces(who.workshopId, place);
	if (!places) return { problem: NO_PLACE };
	return { token: await link(who, { role: place.role, places, user: null }) };
}

/** Makes a link by which one of the workshop's people chooses a new password. */
export async function resetPassword(who: Who, userId: string): Promise<{ readonly token: string } | undefined> {
	const user = await userById(userId);
	if (user?.workshopId !== who.workshopId) return undefined;
	return { token: await link(who, { role: user.role, places: [], user }) };
}

async function link(
	who: Who,
	{ role, places, user }: { role: Role; places: string[]; user: { readonly id: string; readonly name: string } | null }
): Promise<string> {
	const token = randomBytes(24).toString('base64url');
	const madeAt = new Date();
	await inTransaction(async (transaction) => {
		await saveInvitation(
			{
				...{ tokenHash: digest(token), workshopId: who.workshopId, role, places },
				...{ userId: user?.id ?? null, madeBy: who.userId, madeAt, expiresAt: addDays(madeAt, LINK_DAYS) }
			},
			transaction
		);
		await noteChange(
			who,
			user
				? { what: 'password reset', subjectId: user.id, name: user.name }
				: { what: 'user invited', subjectId: null, name: ROLE_WORDS[role].name.toLowerCase() },
			transaction
		);
	});
	return token;
}

export function withdraw(who: Who, id: string): Promise<Refusal> {
	return inTransaction(async (transaction) => {
		const invitation = (await invitationsOf(who.workshopId)).find(({ tokenHash }) => tokenHash.startsWith(id));
		if (!invitation || !(await endInvitation(who.workshopId, invitation.tokenHash, transaction)))
			return 'That link does not work any more.';
		const name = ROLE_WORDS[invitation.role].name.toLowerCase();
		await noteChange(who, { what: 'invitation withdrawn', subjectId: null, name }, transaction);
		return undefined;
	});
}

/** Gives somebody another role, or a guest other places. */
export async function changePlace(who: Who, userId: string, place: Place): Promise<Refusal> {
	const places = await checkedPlaces(who.workshopId, place);
	if (!places) return NO_PLACE;
	return inTransaction(async (transaction) => {
		const owners = await lockOwners(who.workshopId, transaction);
		const user = await userById(userId, transaction);
		if (user?.workshopId !== who.workshopId) return 'That account is not there any more.';
		if (place.role !== 'owner' && owners.length === 1 && owners[0] === userId) return LAST_OWNER;
		const before = (await placesOfGuests([userId])).get(userId)!;
		const names = new Map((await listLocations(who.workshopId)).map(({ id, name }) => [id, name]));
		const named = (ids: readonly string[]) =>
			ids
				.map((id) => names.get(id) ?? '')
				.sort()
				.join(', ');
		const said = difference({ role: user.role, places: named(before) }, { role: place.role, places: named(places) });
		await keepRole({ id: userId, role: place.role, places }, transaction);
		if (said) await noteChange(who, { what: 'user changed', subjectId: userId, name: user.name, said }, transaction);
		return undefined;
	});
}

export interface Welcomed {
	/** Not asked of somebody who chooses a new password. */
	readonly name?: string;
	readonly email?: string;
	readonly password: string;
}

/**
 * Lets in who holds a link: as a new user, or with a new password. The link works once.
 * @returns who it is; 'over' when the link does not work any more, 'taken' when there is an account with that e-mail
 */
export async function join(
	token: string,
	{ name, email, password }: Welcomed
): Promise<{ userId: string } | 'over' | 'taken'> {
	const passwordHash = await hashPassword(password);
	try {
		return await inTransaction(async (transaction) => {
			const invitation = await invitationByToken(digest(token), transaction);
			if (!invitation) return 'over';
			const { workshopId, role, places, userId } = invitation;
			await endInvitation(workshopId, invitation.tokenHash, transaction);
			if (userId) {
				const user = await userById(userId, transaction);
				if (!user) return 'over';
				await keepPassword(userId, passwordHash, transaction);
				await endSessionsOf(userId, { but: '' }, transaction);
				await forgetDevices(userId, undefined, transaction);
				await noteChange(
					{ workshopId, userId },
					{ what: 'password changed', subjectId: userId, name: user.name },
					transaction
				);
				return { userId };
			}
			const user = await createUser(
				{ workshopId, role, passwordHash, name: name!, email: email! },
				places,
				transaction
			);
			await noteChange(
				{ workshopId, userId: user.id },
				{ what: 'user joined', subjectId: user.id, name: ROLE_WORDS[role].name.toLowerCase() },
				transaction
			);
			return { userId: user.id };
		});
	} catch (fault) {
		if (isDuplicate(fault)) return 'taken';
		throw fault;
	}
}

/** What a link is for; undefined when it does not work. */
export async function linkOf(
	token: string
): Promise<{ readonly role: Role; readonly user: string | undefined } | undefined> {
	const invitation = await invitationByToken(digest(token));
	if (!invitation) return undefined;
	if (!invitation.userId) return { role: invitation.role, user: undefined };
	// A password for an account that is deleted by now opens nothing.
	const user = await userById(invitation.userId);
	return user && { role: invitation.role, user: user.name };
}
