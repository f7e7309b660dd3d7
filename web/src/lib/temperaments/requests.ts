import { written, type Draft, type KeepResult } from './schema';

async function send(method: string, path: string, body?: unknown): Promise<Response | undefined> {
	try {
		return await fetch(path, {
			method,
			headers: { 'Content-Type': 'application/json' },
			body: body === undefined ? undefined : JSON.stringify(body)
		});
	} catch {
		return undefined;
	}
}

const AWAY = 'The server does not answer. Nothing is lost on this page; try again in a moment.';

async function keepResult(answer: Response | undefined): Promise<KeepResult> {
	if (!answer) return { kind: 'refused', problems: [AWAY] };
	const body = await answer.json().catch(() => ({}));
	if (answer.ok) return body as KeepResult;
	return { kind: 'refused', problems: [body.message ?? AWAY] };
}

/** Keeps a draft as a new temperament, or over a version of an own one. */
export async function keep(
	draft: Draft,
	confirmed: boolean,
	over?: { readonly slug: string; readonly version: number }
): Promise<KeepResult> {
	const body = { draft: { ...draft, tuning: written(draft.tuning) }, confirmed, version: over?.version };
	return keepResult(await send(over ? 'PUT' : 'POST', `/api/temperaments${over ? `/${over.slug}` : ''}`, body));
}

export async function bringIn(
	text: string,
	answers: { readonly confirmed: boolean; readonly rename: boolean }
): Promise<KeepResult> {
	return keepResult(await send('POST', '/api/temperaments/import', { text, ...answers }));
}

/** @returns undefined when it is gone, else why it stays */
export async function remove(slug: string): Promise<string | undefined> {
	const answer = await send('DELETE', `/api/temperaments/${slug}`);
	if (answer?.ok) return undefined;
	return (await answer?.json().catch(() => undefined))?.message ?? AWAY;
}
