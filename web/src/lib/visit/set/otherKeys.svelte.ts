/** Struck so often in a row, a note that is no test of the due one is meant. */
const MEANT = 2;

/** Other keys than the due one: which of them is meant to be the next. */
export class OtherKeys {
	/** The due note stays, whatever else is struck. */
	isLocked = $state(false);
	/** Where a note that was struck twice has led away from. */
	cameFrom: number | undefined;
	private last: { readonly note: number; readonly times: number } | undefined;

	/** @returns whether a note that was struck is meant to be due from now on */
	isMeant(note: number, isTest: (note: number) => boolean): boolean {
		this.last = { note, times: this.last?.note === note ? this.last.times + 1 : 1 };
		return !this.isLocked && this.last.times >= MEANT && !isTest(note);
	}

	clear(): void {
		this.last = this.cameFrom = undefined;
	}
}
