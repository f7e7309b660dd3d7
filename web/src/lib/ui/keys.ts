/** As much of a key press as shortcuts look at. */
export interface Key {
	readonly key: string;
	readonly shiftKey: boolean;
	readonly ctrlKey: boolean;
	readonly metaKey: boolean;
	readonly altKey: boolean;
	readonly target: EventTarget | null;
}

/** Whether a key belongs to what has the focus, or to the browser: then it is no shortcut. */
export function typedInto({ key, metaKey, altKey, target }: Key): boolean {
	const focused = target as Partial<HTMLElement> | null;
	if (focused?.closest?.('input, textarea, select, [role="dialog"]')) return true;
	const operates = key === 'Enter' || key === ' ';
	if (operates && focused?.closest?.('button, a')) return true;
	return metaKey || altKey;
}

/** A finger or mouse leaves no focus on a button or a tick: the next Space strikes, the next Enter goes on. */
export function leaveButton({ detail, target }: MouseEvent): void {
	if (detail > 0) (target as Element).closest<HTMLElement>('button, input[type=checkbox]')?.blur();
}
