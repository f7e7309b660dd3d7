import { redirect, type Handle, type HandleServerError, type RequestEvent, type ServerInit } from '@sveltejs/kit';
import { mayDo, REFUSED } from '$lib/workshop/roles';
import { isEmpty } from '$lib/server/db/stores/accounts';
import { connect, database, useDatabase } from '$lib/server/db/connection';
import { DATABASE_AWAY, DATABASE_BUSY, isDatabaseAway, isDatabaseBusy } from '$lib/server/db/faults';
import { underLease } from '$lib/server/db/lease';
import { migrate } from '$lib/server/db/migrate';
import { loadDemo } from '$lib/server/demo/load';
import { fillSummaries, rebuildSummaries } from '$lib/server/record/keep';
import { USUAL_WRITING } from '$lib/ui/writing';
import { writtenFor } from '$lib/server/written';
import { NOW_HEADER } from '$lib/device/nowHeader';
import { OPEN_ROUTES, rightAsked } from '$lib/server/auth/asks';
import { isShown } from '$lib/server/auth/rights';
import { readSession, type SignedIn } from '$lib/server/auth/session';
import { eraseOutlived } from '$lib/server/workshop/deletion';
import { log } from '$lib/server/log';

export const init: ServerInit = async () => {
	const url = process.env.FENDREL_DATABASE_URL;
	if (!url) throw new Error('FENDREL_DATABASE_URL is not set: start with "npm start"');
	useDatabase(connect(url));
	await migrate(database());
	if (process.env.FENDREL_REBUILD === '1') return rebuild();
	await underLease(database().sequelize, async () => {
		await fillSummaries();
		if (process.env.FENDREL_DEMO === '1' && (await isEmpty())) await loadDemo();
	});
	await tidy();
	setInterval(() => void tidy(), TIDY_MS).unref();
};

const TIDY_MS = 6 * 3_600_000;
/** What has been deleted for a month goes for good; one server at a time. What is in its way keeps nobody from working. */
const tidy = () =>
	underLease(database().sequelize, async () => void (await eraseOutlived())).catch((err: unknown) =>
		log.warn({ err }, 'what was deleted a month ago will be erased later')
	);

/** Makes the kept summaries anew and ends: what `npm run summaries` asks for. */
async function rebuild(): Promise<never> {
	const { visits, instruments } = await rebuildSummaries();
	console.log(`fendrel: the summaries of ${visits} visits and ${instruments} instruments were made anew.`);
	process.exit(0);
}

export const handle: Handle = async ({ event, resolve }) => {
	event.locals.look = event.cookies.get('fendrel_look') === 'lamp' ? 'lamp' : 'day';
	try {
		event.locals.signedIn = await readSession(event.cookies, event.url);
	} catch (error) {
		const fault = unanswered(error);
		if (!fault) throw error;
		log.warn({ path: event.url.pathname }, `database ${fault}`);
		return withoutDatabase(event.request, fault);
	}
	if (isForeign(event.request, event.url.origin)) return Response.json({ message: FOREIGN }, { status: 403 });
	if (!event.locals.signedIn && !OPEN_ROUTES.has(event.route.id) && event.route.id !== null) {
		if (event.route.id.includes('/api/'))
			return Response.json(
				{ message: 'You are signed out. Sign in again; your readings are kept on this device.' },
				{ status: 401 }
			);
		redirect(303, `/signin?next=${encodeURIComponent(event.url.pathname + event.url.search)}`);
	}
	if (event.locals.signedIn && event.route.id !== null && !OPEN_ROUTES.has(event.route.id)) {
		const refused = await refusal(event.locals.signedIn, event.route.id, event);
		if (refused) return refused;
	}
	const response = await writtenFor(event.locals.signedIn?.writing ?? USUAL_WRITING, () =>
		resolve(event, { transformPageChunk: ({ html }) => html.replace('%fendrel.look%', event.locals.look) })
	);
	// In mid-request too: what could not be asked is to be asked again, not refused.
	const { unanswered: fault } = event.locals;
	if (fault && response.status >= 500) return withoutDatabase(event.request, fault);
	if (event.locals.signedIn && !response.headers.has('Cache-Control'))
		response.headers.set('Cache-Control', 'no-store');
	if (event.route.id?.includes('/api/')) response.headers.set(NOW_HEADER, String(Date.now()));
	response.headers.set('Referrer-Policy', 'same-origin');
	response.headers.set('Permissions-Policy', 'microphone=(self), camera=(), geolocation=()');
	return response;
};

/** What somebody is told who may not do this, or not see it. */
async function refusal(
	who: SignedIn,
	route: string,
	{ request, url, params }: Pick<RequestEvent, 'request' | 'url' | 'params'>
): Promise<Response | undefined> {
	const right = rightAsked(route, request.method, url.search);
	const may = mayDo(who.role, right);
	if (may && (await isShown(who, route, params.id))) return undefined;
	const message = may ? 'There is nothing at this address that you may see.' : REFUSED[right];
	const status = may ? 404 : 403;
	// A page of its own for what is looked at; a sentence for what a page sends.
	return request.headers.get('accept')?.includes('text/html') && request.method === 'GET'
		? refusedPage(message, status)
		: Response.json({ message }, { status });
}

const unanswered = (error: unknown) => (isDatabaseAway(error) ? 'away' : isDatabaseBusy(error) ? 'busy' : undefined);
const SAID = { away: DATABASE_AWAY, busy: DATABASE_BUSY } as const;

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);
const FOREIGN = 'This was sent from another site. Open Fendrel itself and try again.';

/** Something that changes things, sent by a page of another origin. */
function isForeign(request: Request, own: string): boolean {
	if (READS.has(request.method)) return false;
	const from = request.headers.get('origin');
	const site = request.headers.get('sec-fetch-site');
	return (from !== null && from !== own) || (site !== null && site !== 'same-origin' && site !== 'none');
}

/** Without the database nobody can be told apart, so no page can be made: a plain one that tries again. */
function withoutDatabase(request: Request, fault: 'away' | 'busy'): Response {
	const said = SAID[fault];
	const headers = { 'Retry-After': '3', 'Cache-Control': 'no-store' };
	if (!request.headers.get('accept')?.includes('text/html')) return Response.json(said, { status: 503, headers });
	const page = plainPage(
		'Fendrel waits',
		`<h1 style="font-weight:400">${said.message}</h1><p>${said.advice} This page tries again by itself.</p>`,
		'<meta http-equiv="refresh" content="3">'
	);
	return new Response(page, { status: 503, headers: { ...headers, 'Content-Type': 'text/html; charset=utf-8' } });
}

function refusedPage(message: string, status: number): Response {
	const page = plainPage(
		'Fendrel',
		`<h1 style="font-weight:400">${message}</h1><p><a href="/instruments" style="color:#1d6a63">Back to the instruments</a></p>`
	);
	const headers = { 'Content-Type': 'text/html; charset=utf-8', 'Cache-Control': 'no-store' };
	return new Response(page, { status, headers });
}

/** A page that asks nothing of the server. */
const plainPage = (
	title: string,
	body: string,
	head = ''
) => `<!doctype html><html lang="en"><meta charset="utf-8">${head}
<meta name="viewport" content="width=device-width, initial-scale=1"><title>${title}</title>
<body style="font:1.1rem/1.5 sans-serif;max-width:34rem;margin:20vh auto;padding:0 1.5rem;color:#1c2530;background:#f4efe6">
${body}</body></html>`;

export const handleError: HandleServerError = ({ error, event, status, message }) => {
	const fault = unanswered(error);
	if (fault) {
		event.locals.unanswered = fault;
		return SAID[fault];
	}
	if (status === 404) return { message: 'There is nothing at this address.' };
	log.error({ err: error, path: event.url.pathname }, message);
	return {
		message: 'Something went wrong on the server.',
		advice: 'Nothing you saved is lost. Go back and try again.'
	};
};
