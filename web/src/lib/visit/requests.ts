import type { VisitChangesForm } from './schema';

/** Saves changes of a visit. @returns undefined when saved, else what is wrong, as a sentence */
export async function saveChanges(visitId: string, changes: VisitChangesForm): Promise<string | undefined> {
	try {
		const answer = await fetch(`/api/visits/${visitId}`, {
			method: 'PATCH',
			headers: { 'Content-Type': 'application/json' },
			body: JSON.stringify(changes)
		});
		if (answer.ok) return undefined;
		const body: { message?: string } = await answer.json().catch(() => ({}));
		return body.message ?? 'The server could not save this. Try again in a moment.';
	} catch {
		return 'The server does not answer. What you chose stays on this page; it is saved when you choose again.';
	}
}
