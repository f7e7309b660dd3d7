import { ADVICE, type OwnersAdvice } from '@fendrel/core';
import { briefOf } from '../brief';
import { settingsOf } from '../workshopSettings';
import type { Account, ClosingGround } from './account';

/** Advice that what was found asks for, and the rest of the list. */
export function adviceFor(
	open: ClosingGround,
	{ moved }: Pick<Account, 'moved'>
): { readonly suits: readonly OwnersAdvice[]; readonly others: readonly OwnersAdvice[] } {
	const { arrival } = open.record.report;
	const { purpose, played } = briefOf(open);
	const ground = {
		...{ kind: open.instrument.kind, played, moved },
		humidity: arrival.climate?.humidity ?? undefined,
		followUp: settingsOf(open).purposes[purpose].followUp,
		broken: arrival.broken.length,
		grades: new Map([...arrival.parts].map(([part, { grade }]) => [part, grade]))
	};
	return {
		suits: ADVICE.filter(({ suits }) => suits(ground)),
		others: ADVICE.filter(({ suits }) => !suits(ground))
	};
}
