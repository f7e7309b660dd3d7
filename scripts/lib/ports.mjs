// @ts-check
// Ports on loopback. Commands ask before the packages are installed, so that only Node's own parts are at hand.
import { createServer } from 'node:net';

/** @returns {Promise<number>} a TCP port that nobody listens on */
export function freePort() {
	return new Promise((resolve, reject) => {
		const server = createServer();
		server.once('error', reject);
		server.listen(0, '127.0.0.1', () => {
			const address = server.address();
			server.close(() =>
				address && typeof address === 'object' ? resolve(address.port) : reject(new Error('no port'))
			);
		});
	});
}

/** @param {number} port @returns {Promise<boolean>} whether nobody listens there, talkative or not */
export function isFree(port) {
	return new Promise((resolve) => {
		const server = createServer();
		server.once('error', () => resolve(false));
		server.listen(port, '127.0.0.1', () => server.close(() => resolve(true)));
	});
}
