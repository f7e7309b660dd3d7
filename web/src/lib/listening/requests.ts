import type { ListeningHabits } from '@fendrel/core';

/** Keeps how the workshop listens. @returns undefined when kept, else what is wrong, as a sentence */
export async function saveHabits(habits: ListeningHabits): Promise<string | undefined> {
	try {
		const answer = await fetch('/api/listening', {
			method: 'PUT',
			headers: { 'Content-Type': 'application/json' },
			body: JSON.stringify(habits)
		});
		if (answer.ok) return undefined;
		const said: { message?: string } = await answer.json().catch(() => ({}));
		return said.message ?? 'The server could not keep this. Try again in a moment.';
	} catch {
		return 'The server does not answer. Nothing is lost here; try again when it is back.';
	}
}
