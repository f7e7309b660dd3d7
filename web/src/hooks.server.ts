import { redirect, type Handle, type HandleServerError, type ServerInit } from '@sveltejs/kit';
import { isEmpty } from '$lib/server/db/stores/accounts';
import { connect, useDatabase } from '$lib/server/db/connection';
import { DATABASE_AWAY, isDatabaseAway } from '$lib/server/db/faults';
import { underLease } from '$lib/server/db/lease';
import { migrate } from '$lib/server/db/migrate';
import { loadDemo } from '$lib/server/demo/load';
import { fillSummaries, rebuildSummaries } from '$lib/server/record/keep';
import { NOW_HEADER } from '$lib/device/nowHeader';
import { readSession } from '$lib/server/auth/session';
import { log } from '$lib/server/log';

export const init: ServerInit = async () => {
	const url = process.env.FENDREL_DATABASE_URL;
	if (!url) throw new Error('FENDREL_DATABASE_URL is not set: start with "npm start"');
	const database = connect(url);
	useDatabase(database);
	await migrate(database);
	if (process.env.FENDREL_REBUILD === '1') return rebuild();
	await underLease(database.sequelize, async () => {
		await fillSummaries();
		if (process.env.FENDREL_DEMO === '1' && (await isEmpty())) await loadDemo();
	});
};

/** Makes the kept summaries anew and ends: what `npm run summaries` asks for. */
async function rebuild(): Promise<never> {
	const { visits, instruments } = await rebuildSummaries();
	console.log(`fendrel: the summaries of ${visits} visits and ${instruments} instruments were made anew.`);
	process.exit(0);
}

/** Pages that are there for somebody who is not signed in. */
const OPEN = new Set(['/signin', '/welcome', '/health', '/shell']);

export const handle: Handle = async ({ event, resolve }) => {
	event.locals.look = event.cookies.get('fendrel_look') === 'lamp' ? 'lamp' : 'day';
	try {
		event.locals.signedIn = await readSession(event.cookies, event.url);
	} catch (error) {
		if (!isDatabaseAway(error)) throw error;
		log.warn({ path: event.url.pathname }, 'database away');
		return awayResponse(event.request);
	}
	if (!event.locals.signedIn && !OPEN.has(event.url.pathname) && event.route.id !== null) {
		if (event.route.id.includes('/api/'))
			return Response.json(
				{ message: 'You are signed out. Sign in again; your readings are kept on this device.' },
				{ status: 401 }
			);
		redirect(303, `/signin?next=${encodeURIComponent(event.url.pathname + event.url.search)}`);
	}
	const response = await resolve(event, {
		transformPageChunk: ({ html }) => html.replace('%fendrel.look%', event.locals.look)
	});
	if (event.route.id?.includes('/api/')) response.headers.set(NOW_HEADER, String(Date.now()));
	response.headers.set('X-Content-Type-Options', 'nosniff');
	response.headers.set('Referrer-Policy', 'same-origin');
	response.headers.set('Permissions-Policy', 'microphone=(self), camera=(), geolocation=()');
	return response;
};

/** Without the database nobody can be told apart, so no page can be made: a plain one that tries again. */
function awayResponse(request: Request): Response {
	const headers = { 'Retry-After': '3', 'Cache-Control': 'no-store' };
	if (!request.headers.get('accept')?.includes('text/html'))
		return Response.json(DATABASE_AWAY, { status: 503, headers });
	const page = `<!doctype html><html lang="en"><meta charset="utf-8"><meta http-equiv="refresh" content="3">
<meta name="viewport" content="width=device-width, initial-scale=1"><title>Fendrel waits for its database</title>
<body style="font:1.1rem/1.5 sans-serif;max-width:34rem;margin:20vh auto;padding:0 1.5rem;color:#1c2530;background:#f4efe6">
<h1 style="font-weight:400">${DATABASE_AWAY.message}</h1><p>${DATABASE_AWAY.advice} This page tries again by itself.</p></body></html>`;
	return new Response(page, { status: 503, headers: { ...headers, 'Content-Type': 'text/html; charset=utf-8' } });
}

export const handleError: HandleServerError = ({ error, event, status, message }) => {
	if (isDatabaseAway(error)) return DATABASE_AWAY;
	if (status === 404) return { message: 'There is nothing at this address.' };
	log.error({ err: error, path: event.url.pathname }, message);
	return {
		message: 'Something went wrong on the server.',
		advice: 'Nothing you saved is lost. Go back and try again.'
	};
};
