import type { StringLine } from './schema';

/** Keeps a table of strings as the newest version. @returns undefined when kept, else what is wrong, as a sentence */
export async function keepStrings(instrumentId: string, strings: readonly StringLine[]): Promise<string | undefined> {
	try {
		const answer = await fetch(`/api/instruments/${instrumentId}/strings`, {
			method: 'POST',
			headers: { 'Content-Type': 'application/json' },
			body: JSON.stringify({ strings })
		});
		if (answer.ok) return undefined;
		const body: { message?: string } = await answer.json().catch(() => ({}));
		return body.message ?? 'The server could not keep this. Try again in a moment.';
	} catch {
		return 'The server does not answer. The table stays on this page; keep it again in a moment.';
	}
}
