// @ts-check
// The built application behind a plain server: what every answer carries, files too, and one address for all.
import { createServer } from 'node:http';
import { handler } from './build/handler.js';

const { HOST = '127.0.0.1', PORT = '3000', ORIGIN, SHUTDOWN_TIMEOUT = '2' } = process.env;
const origin = new URL(ORIGIN ?? `http://localhost:${PORT}`);
/** Other names of the machine itself. A browser keeps what it holds by the address: under another one it would hold nothing. */
const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]']);

/** @param {string | undefined} host */
const isAlias = (host) => {
	if (!host || host === origin.host || !LOOPBACK.has(origin.hostname)) return false;
	const [, name, port] = /^(\[[^\]]*\]|[^:]*)(?::(\d+))?$/.exec(host) ?? [];
	return LOOPBACK.has(name) && (port ?? '80') === (origin.port || '80');
};

const server = createServer((request, response) => {
	response.setHeader('X-Content-Type-Options', 'nosniff');
	if (isAlias(request.headers.host)) {
		const isRead = request.method === 'GET' || request.method === 'HEAD';
		const headers = { 'Content-Type': 'text/plain; charset=utf-8', 'Cache-Control': 'no-store' };
		if (isRead) response.writeHead(307, { ...headers, Location: origin.origin + (request.url ?? '/') });
		else response.writeHead(421, headers);
		response.end(`Fendrel answers at ${origin.origin}.\n`);
		return;
	}
	void handler(request, response, (/** @type {unknown} */ fault) => {
		response.statusCode = fault ? 500 : 404;
		response.end();
	});
});

function end() {
	server.close(() => process.exit(0));
	server.closeIdleConnections();
	// Pages left open hold connections.
	setTimeout(() => process.exit(0), 1000 * Number(SHUTDOWN_TIMEOUT)).unref();
}
process.once('SIGTERM', end);
process.once('SIGINT', end);

server.listen(Number(PORT), HOST, () => console.log(`Listening on http://${HOST}:${PORT}`));
