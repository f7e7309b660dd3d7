import type { Stringing } from '@fendrel/core';

/** Keeps how an instrument is strung. @returns undefined when kept, else what is wrong, as a sentence */
export async function keepStringing(instrumentId: string, stringing: Stringing | null): Promise<string | undefined> {
	try {
		const answer = await fetch(`/api/instruments/${instrumentId}/stringing`, {
			method: 'PUT',
			headers: { 'Content-Type': 'application/json' },
			body: JSON.stringify({ stringing })
		});
		if (answer.ok) return undefined;
		const body: { message?: string } = await answer.json().catch(() => ({}));
		return body.message ?? 'The server could not keep this. Try again in a moment.';
	} catch {
		return 'The server does not answer. What you chose stays on this page; keep it again in a moment.';
	}
}
