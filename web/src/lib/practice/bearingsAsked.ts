import { SCHOOLS } from '@fendrel/core';

/** The school that an address names; the circle of fifths where it names none. */
export const schoolAsked = (said: string | undefined): string =>
	SCHOOLS.find(({ id }) => id === said)?.id ?? SCHOOLS[0].id;
