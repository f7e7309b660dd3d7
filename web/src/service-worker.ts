/// <reference types="@sveltejs/kit" />
/// <reference no-default-lib="true"/>
/// <reference lib="esnext" />
/// <reference lib="webworker" />
import { build, files, version } from '$service-worker';

/*
 * Keeps the application on the device. What was built never changes under its name and comes from there; a visit's address
 * is answered by the server as long as that is quick, else by one empty page, which makes itself from what the device holds.
 */
const scope = globalThis as unknown as ServiceWorkerGlobalScope;
const CACHES = 'fendrel-';
const CACHE = `${CACHES}${version}`;
const SHELL = '/shell';
const KEPT = new Set([...build, ...files]);
/** Pages that are made on the device. */
const HELD = /^\/(visits\/[0-9a-f-]{36}(\/|$)|device(\/|$))/i;
const HERE = '/device';
/** So long a page that can be made here waits for the server, and one that cannot. */
const HELD_WAITS_MS = 4000;
const OTHERS_WAIT_MS = 15_000;

scope.addEventListener('install', (event) => {
	event.waitUntil(
		(async () => {
			const cache = await caches.open(CACHE);
			await cache.addAll([...KEPT, SHELL]);
			await keepWorkerParts(cache);
			await scope.skipWaiting();
		})()
	);
});

/** Parts that workers load when they need them (decoders of recordings) stand on no list but in the workers themselves. */
async function keepWorkerParts(cache: Cache): Promise<void> {
	const open = build.filter((path) => path.includes('.worker-'));
	const known = new Set(open);
	for (let next = open.pop(); next !== undefined; next = open.pop()) {
		const answer = (await cache.match(next)) ?? (await fetch(next).catch(() => undefined));
		if (!answer?.ok) continue;
		if (!KEPT.has(next)) await cache.put(next, answer.clone());
		for (const [, part] of (await answer.text()).matchAll(/[`"'](\.{1,2}\/[\w./-]+\.js)[`"']/g)) {
			const { pathname } = new URL(part, new URL(next, scope.location.href));
			if (known.has(pathname)) continue;
			known.add(pathname);
			open.push(pathname);
		}
	}
}

scope.addEventListener('activate', (event) => {
	event.waitUntil(
		(async () => {
			// Pages of the version before may still be open and want its parts.
			const own = (await caches.keys()).filter((name) => name.startsWith(CACHES) && name !== CACHE);
			for (const name of own.slice(0, -1)) await caches.delete(name);
			await scope.clients.claim();
		})()
	);
});

scope.addEventListener('fetch', (event) => {
	const { request } = event;
	const url = new URL(request.url);
	if (request.method !== 'GET' || url.origin !== scope.location.origin) return;
	if (request.mode === 'navigate') event.respondWith(page(request, url));
	else if (KEPT.has(url.pathname) || url.pathname.startsWith('/_app/immutable/')) event.respondWith(part(request));
});

async function part(request: Request): Promise<Response> {
	return (await caches.match(request)) ?? fetch(request);
}

async function page(request: Request, url: URL): Promise<Response> {
	const held = HELD.test(url.pathname);
	const tooLong = new AbortController();
	const over = setTimeout(() => tooLong.abort(), held ? HELD_WAITS_MS : OTHERS_WAIT_MS);
	try {
		const answer = await fetch(request, { signal: tooLong.signal });
		if (!held || answer.status < 500) return answer;
		return (await shell()) ?? answer;
	} catch (error) {
		if (held) {
			const made = await shell();
			if (made) return made;
		} else if (await shell()) return Response.redirect(`${HERE}?instead=${encodeURIComponent(url.pathname)}`, 302);
		throw error;
	} finally {
		clearTimeout(over);
	}
}

async function shell(): Promise<Response | undefined> {
	return (await (await caches.open(CACHE)).match(SHELL)) ?? (await caches.match(SHELL));
}
