import { redirect } from '@sveltejs/kit';
import { stopSession } from '$lib/server/auth/session';

export async function POST({ cookies }) {
	await stopSession(cookies);
	redirect(303, '/signin');
}
