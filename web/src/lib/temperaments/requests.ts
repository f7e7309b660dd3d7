import { send } from '$lib/device/send';
import type { Result } from '$lib/ui/result';
import { written, type Draft, type KeepResult } from './temperamentDraft';

const asResult = (answer: Result<KeepResult>): KeepResult =>
	'problem' in answer ? { kind: 'refused', problems: [answer.problem] } : answer.value;

/** Keeps a draft as a new temperament, or over a version of an own one. */
export async function keep(
	draft: Draft,
	confirmed: boolean,
	over?: { readonly slug: string; readonly version: number }
): Promise<KeepResult> {
	const body = { draft: { ...draft, tuning: written(draft.tuning) }, confirmed, version: over?.version };
	return asResult(
		over ? await send('PUT', `/api/temperaments/${over.slug}`, body) : await send('POST', '/api/temperaments', body)
	);
}

export async function bringIn(
	text: string,
	answers: { readonly confirmed: boolean; readonly rename: boolean }
): Promise<KeepResult> {
	return asResult(await send('POST', '/api/temperaments/import', { text, ...answers }));
}
