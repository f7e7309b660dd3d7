import type { CurveChoice, KeptCurve } from '$lib/tuning/curve';
import type { SentChanges } from './schema';

const AWAY = 'The server does not answer. What you chose stays on this page; it is saved when you choose again.';

/** Sends to a visit's address. @returns the answer's body, or what is wrong as a sentence */
async function send<T>(
	method: 'PATCH' | 'POST',
	path: string,
	body: unknown
): Promise<{ readonly body: T } | { readonly problem: string }> {
	try {
		const answer = await fetch(`/api/visits/${path}`, {
			method,
			headers: { 'Content-Type': 'application/json' },
			body: JSON.stringify(body)
		});
		if (answer.ok) return { body: (await answer.json()) as T };
		const said: { message?: string } = await answer.json().catch(() => ({}));
		return { problem: said.message ?? 'The server could not save this. Try again in a moment.' };
	} catch {
		return { problem: AWAY };
	}
}

/** Saves changes of a visit. @returns undefined when saved, else what is wrong, as a sentence */
export async function saveChanges(visitId: string, changes: SentChanges): Promise<string | undefined> {
	const answer = await send('PATCH', visitId, changes);
	return 'problem' in answer ? answer.problem : undefined;
}

/** Has a curve drawn and made the visit's; earlier ones stay. */
export async function takeCurve(
	visitId: string,
	wish: CurveChoice
): Promise<{ readonly curve: KeptCurve } | { readonly problem: string }> {
	const answer = await send<{ curve: KeptCurve }>('POST', `${visitId}/curve`, wish);
	if ('problem' in answer) return answer;
	const { curve } = answer.body;
	return { curve: { ...curve, madeAt: new Date(curve.madeAt) } };
}
