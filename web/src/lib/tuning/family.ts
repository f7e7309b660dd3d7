import { FAMILIES, type Keyboard, type StringKind, type Stringing } from '@fendrel/core';

/** Which family an instrument belongs to, and what that family knows of it. */
export function familyOf({
	lowest,
	highest,
	stringing
}: {
	readonly kind: StringKind;
	readonly lowest: number;
	readonly highest: number;
	readonly stringing: Stringing;
}) {
	const body: Keyboard = { lowest, highest, stringing };
	return { family: FAMILIES.keyboard, body };
}
