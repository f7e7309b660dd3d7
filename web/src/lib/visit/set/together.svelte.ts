import type { SounderChoice, UnisonAnalysis } from '@fendrel/core';
import { beginPair, pairHeard, type PairWork } from './pairWork';
import type { StringsInHand } from './settingOptions';
import { isTogether, UnisonWork, type UnisonVerdict } from './unisonWork';

/** Strings of a note that are brought together: its unison, or two of them as their own ruler. */
export class Together<Body> {
	/** What the last strike of several strings said of their unison. */
	verdict = $state.raw<UnisonVerdict | undefined>();
	/** The pair method on the due note, while it is at work. */
	pair = $state.raw<PairWork | undefined>();
	readonly unisons: UnisonWork<Body>;

	constructor(private readonly of: StringsInHand<Body>) {
		this.unisons = new UnisonWork(of);
	}

	/** Begins the pair method on a group, or ends it. @returns both strings, where it has two */
	turnPair(group: number): SounderChoice | undefined {
		this.pair = this.pair ? undefined : beginPair(this.of.family, this.of.body, group);
		return this.pair?.choice;
	}

	/**
	 * A strike of several strings was looked at closer.
	 * @param off where they stand, in cents from target, and how far off they may stand
	 * @returns whether they can be taken as they are
	 */
	hear(group: number, analysis: UnisonAnalysis, off: number, within: number): boolean {
		const verdict = this.unisons.judge(group, analysis);
		if (!this.pair) {
			this.verdict = verdict;
			return isTogether(verdict);
		}
		if (verdict.isUnsure) return false;
		this.pair = pairHeard(this.pair, { apart: verdict.apart, limit: verdict.limit, off, within });
		return this.pair.state.phase === 'done';
	}

	/** Other strings, or another note. */
	clear(): void {
		this.verdict = this.pair = undefined;
	}
}
