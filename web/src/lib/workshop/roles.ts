/*
 * Who may do what. Each right includes those before it; a guest only looks, at the instruments of the places given.
 */

export const ROLES = ['owner', 'technician', 'apprentice', 'guest'] as const;
export type Role = (typeof ROLES)[number];

/** From least to most: look at what one is shown; work in visits; decide for the workshop; govern its people and data. */
export const RIGHTS = ['look', 'work', 'decide', 'govern'] as const;
export type Right = (typeof RIGHTS)[number];

export const ROLE_WORDS: Readonly<Record<Role, { readonly name: string; readonly may: string }>> = {
	owner: { name: 'Owner', may: 'everything; invites people, sees what was changed, erases for good' },
	technician: { name: 'Technician', may: 'visits, instruments, temperaments, settings; deletes and brings back' },
	apprentice: { name: 'Apprentice', may: 'visits, instruments, temperaments; no settings, deletes nothing' },
	guest: { name: 'Guest', may: 'sees the instruments of the places you choose and their papers; changes nothing' }
};

const MOST: Readonly<Record<Role, Right>> = {
	owner: 'govern',
	technician: 'decide',
	apprentice: 'work',
	guest: 'look'
};

/** @param role not said: from before there were roles, when everybody was an owner */
export function mayDo(role: Role | undefined, right: Right): boolean {
	return RIGHTS.indexOf(right) <= RIGHTS.indexOf(MOST[role ?? 'owner']);
}

/** What somebody is told who may not. */
export const REFUSED: Readonly<Record<Right, string>> = {
	look: 'You may not see this.',
	work: 'As a guest you may look, not change anything. The workshop’s owner can give you more.',
	decide: 'An apprentice may not do this. Ask a technician or the owner of the workshop.',
	govern: 'Only the owner of the workshop may do this.'
};
