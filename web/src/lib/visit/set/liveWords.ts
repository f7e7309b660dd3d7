import { isPastMove, memberOf, pairBeat, type Cents } from '@fendrel/core';
import { capital, fixed, isNoughtAt } from '$lib/ui/format';
import { askedBeat, type PairWork } from './pairWork';
import { isTogether, type UnisonVerdict } from './unisonWork';

/** What the live figure says when it is not one string's cents. */
export interface LiveWords {
	readonly word: string;
	readonly figure: string;
	readonly unit: string;
	/** It is as it should be. */
	readonly isWithin: boolean;
}

/** Of several strings that are brought together. */
export function unisonLive(verdict: UnisonVerdict | undefined): LiveWords {
	if (!verdict) return { word: 'Strike them together', figure: '', unit: '', isWithin: false };
	const figure = fixed(verdict.apart, 1);
	const said = { figure, unit: isNoughtAt(verdict.apart, 1) ? '' : 'cents apart', isWithin: isTogether(verdict) };
	if (verdict.isUnsure) return { ...said, word: 'Let it sound longer' };
	return { ...said, word: said.isWithin ? 'Together' : 'Bring them together' };
}

const PHASES = {
	clean: 'Clean the pair',
	match: 'Bring the other to it',
	shade: 'A shade, and listen',
	done: 'It stands'
} as const;

/** "Left up": which string moves, and which way; "back down" where it has gone too far. */
export function pairWord({ state, moved, apart = 0 }: PairWork): string {
	if (state.phase !== 'move') return PHASES[state.phase];
	const isPast = isPastMove(state, apart);
	return `${capital(memberOf(moved))} ${isPast ? 'back ' : ''}${state.by > 0 !== isPast ? 'up' : 'down'}`;
}

/** Of a pair whose own beat is the ruler: beats, and no cents. */
export function pairLive(work: PairWork, frequency: number): LiveWords {
	const heard = work.apart === undefined ? undefined : pairBeat(work.apart as Cents, frequency);
	const asked = askedBeat(work, frequency);
	return {
		word: pairWord(work),
		figure: heard === undefined ? '' : fixed(heard, 1),
		unit: asked === undefined ? 'beats/s' : `of ${fixed(asked, 1)} beats/s`,
		isWithin: work.state.phase === 'done'
	};
}
