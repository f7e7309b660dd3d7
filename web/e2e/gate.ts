import { createServer, request, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo, Socket } from 'node:net';

/**
 * A way to the server that can be cut, and through which nothing comes: what a cellar does to a page. The page knows no
 * other address.
 */
export class Gate {
	/** `cut`: connections break off; `frozen`: they are taken, and nothing is answered. */
	state: 'open' | 'cut' | 'frozen' = 'open';
	private readonly waiting: (() => void)[] = [];
	private readonly server = createServer((asked, answer) => this.pass(asked, answer));
	private readonly sockets = new Set<Socket>();

	private constructor(private readonly to: URL) {
		this.server.on('connection', (socket) => {
			this.sockets.add(socket);
			socket.once('close', () => this.sockets.delete(socket));
		});
	}

	static async before(address: string): Promise<Gate> {
		const gate = new Gate(new URL(address));
		await new Promise<void>((resolve) => gate.server.listen(0, '127.0.0.1', resolve));
		return gate;
	}

	get address(): string {
		return `http://localhost:${(this.server.address() as AddressInfo).port}`;
	}

	cut(): void {
		this.state = 'cut';
		for (const socket of this.sockets) socket.destroy();
	}

	/** Settles when something is next sent to be stored. */
	nextPost(): Promise<void> {
		return new Promise((resolve) => this.waiting.push(resolve));
	}

	private pass(asked: IncomingMessage, answer: ServerResponse): void {
		if (this.state === 'cut') return void asked.socket.destroy();
		if (this.state === 'frozen') return;
		if (asked.method === 'POST') for (const tell of this.waiting.splice(0)) tell();
		const { host: _, origin, ...headers } = asked.headers;
		const own = origin === this.address ? { origin: this.to.origin } : origin ? { origin } : {};
		const passed = request(
			{
				...{ host: this.to.hostname, port: this.to.port, path: asked.url, method: asked.method },
				headers: { ...headers, ...own, host: this.to.host }
			},
			(told) => {
				answer.writeHead(told.statusCode ?? 502, told.headers);
				told.pipe(answer);
			}
		);
		passed.once('error', () => asked.socket.destroy());
		asked.pipe(passed);
	}

	async close(): Promise<void> {
		for (const socket of this.sockets) socket.destroy();
		await new Promise((resolve) => this.server.close(resolve));
	}
}
