import { noteClassName } from '../units/note';
import {
	isSameTempering,
	PYTHAGOREAN_COMMA,
	subtractTemperings,
	sumOfTemperings,
	temperingCents,
	WHOLE_CIRCLE
} from './comma';
import { CIRCLE_FROM_C, offsetsFromEqual, type Tuning } from './temperament';

/** Beyond this an offset is more likely a slip than a wish: ask before keeping it. */
const OFFSET_TO_ASK = 100;
/** Beyond this an offset is another note altogether. */
const OFFSET_LIMIT = 600;

/** What stands against a tuning: a `problem` forbids it, a question has to be answered first. */
export interface TuningFindings {
	readonly problem?: string;
	readonly ask?: string;
}

/** "F-C", by its place in the circle from C-G. */
export function fifthName(step: number): string {
	return `${noteClassName(CIRCLE_FROM_C[step])}-${noteClassName(CIRCLE_FROM_C[(step + 1) % 12])}`;
}

/** Looks at what a user made or brought in; says in words what is wrong with it. */
export function examineTuning(tuning: Tuning): TuningFindings {
	const values = tuning.by === 'fifths' ? tuning.fifths : tuning.by === 'cents' ? tuning.offsets : tuning.ratios;
	const what = { fifths: 'fifths', cents: 'offsets', ratios: 'ratios' }[tuning.by];
	if (values.length !== 12) return { problem: `${values.length} ${what} given; a temperament has 12.` };
	if (tuning.by === 'fifths') {
		const problem = whyOpen(tuning.fifths);
		if (problem) return { problem };
	}
	if (tuning.by === 'cents') {
		const bad = tuning.offsets.findIndex((offset) => !Number.isFinite(offset));
		if (bad >= 0) return { problem: `The offset of ${noteClassName(bad)} is not a number.` };
	}
	if (tuning.by === 'ratios') {
		const bad = tuning.ratios.findIndex(({ num, den }) => num / den < 1 || num / den >= 2);
		if (bad >= 0) return { problem: `The ratio of ${noteClassName(bad)} does not lie between 1/1 and 2/1 above C.` };
		if (tuning.ratios[0].num !== tuning.ratios[0].den) return { problem: 'The first ratio belongs to C and is 1/1.' };
	}
	const offsets = offsetsFromEqual({ tuning });
	const widest = offsets.reduce((far, offset, i) => (Math.abs(offset) > Math.abs(offsets[far]) ? i : far), 0);
	const size = `${noteClassName(widest)} lies ${offsets[widest].toFixed(1)} cents from equal`;
	if (Math.abs(offsets[widest]) > OFFSET_LIMIT)
		return { problem: `${size}: no temperament goes beyond ${OFFSET_LIMIT}.` };
	if (Math.abs(offsets[widest]) > OFFSET_TO_ASK) return { ask: `${size}, more than a semitone. Is that intended?` };
	return {};
}

function whyOpen(fifths: Extract<Tuning, { by: 'fifths' }>['fifths']): string | undefined {
	const wolf = fifths.flatMap((fifth, step) => (fifth === 'wolf' ? [fifthName(step)] : []));
	if (wolf.length > 1) return `${wolf.join(' and ')} are both to take the rest; only one fifth can.`;
	if (wolf.length === 1) return undefined;
	const given = sumOfTemperings(fifths.filter((fifth) => fifth !== 'wolf'));
	if (isSameTempering(given, WHOLE_CIRCLE)) return undefined;
	const left = subtractTemperings(WHOLE_CIRCLE, given);
	const over = temperingCents(left);
	return (
		`The fifths do not close: they take ${(PYTHAGOREAN_COMMA - over).toFixed(2)} cents of tempering in all, ` +
		`not ${PYTHAGOREAN_COMMA.toFixed(2)}. ` +
		(over > 0 ? `${over.toFixed(2)} cents are still to be placed.` : `${(-over).toFixed(2)} cents are too many.`)
	);
}
