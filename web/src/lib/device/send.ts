import type { Result } from '$lib/ui/result';
import { connection } from './connection.svelte';

const AWAY = 'The server does not answer. Nothing is lost on this page; try again in a moment.';
const SIGNED_OUT = 'You are signed out. Sign in again in another window, then try once more.';
const REFUSED = 'The server could not keep this. Try again in a moment.';

/** Sends what only the server keeps, from a page that stays as it is until it is kept. */
export async function send<Body>(
	method: 'POST' | 'PUT' | 'DELETE',
	path: string,
	body?: unknown
): Promise<Result<Body>> {
	const answer = await connection.ask<Body>(path, { method, body });
	switch (answer.kind) {
		case 'told':
			return { value: answer.body };
		case 'signed out':
			return { problem: answer.message ?? SIGNED_OUT };
		case 'refused':
			return { problem: answer.message ?? REFUSED };
		default:
			return { problem: AWAY };
	}
}

/** The same, where nobody asks what the server said beside that it is kept. @returns undefined when it is */
export async function sent(
	method: 'POST' | 'PUT' | 'DELETE',
	path: string,
	body?: unknown
): Promise<string | undefined> {
	const answer = await send(method, path, body);
	return 'problem' in answer ? answer.problem : undefined;
}
