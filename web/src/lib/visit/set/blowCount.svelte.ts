import { isFirm, SPARE_EARS, type ReadStrike } from '@fendrel/core';

const keyOf = (visitId: string) => `fendrel.blows.${visitId}`;

/** Loud blows of a visit on this device, counted on over a reload: ears do not forget them. */
export class BlowCount {
	loud = $state(0);

	constructor(private readonly visitId: string) {
		this.loud = Number(globalThis.sessionStorage?.getItem(keyOf(visitId))) || 0;
	}

	/** @param strikes on the string, the newest last */
	add(strikes: readonly Pick<ReadStrike, 'level'>[]): void {
		const last = strikes.at(-1);
		if (!last || !isFirm(last, strikes)) return;
		this.loud++;
		try {
			sessionStorage.setItem(keyOf(this.visitId), String(this.loud));
		} catch {
			// Without storage the count lasts as long as the page.
		}
	}

	/** So many that ears should be spared. */
	readonly isMany = $derived.by(() => this.loud >= SPARE_EARS);
}
