/** Nobody can be served now: too many wait already. */
export class TooManyWaiting extends Error {}

/**
 * Work that is heavy, so much of it at once: those who wait take turns by where they come from, so that one who asks a
 * thousand times does not starve the others.
 */
export class FairTurns {
	private running = 0;
	private waiting = 0;
	private readonly lines = new Map<string, (() => void)[]>();

	constructor(
		private readonly atOnce: number,
		private readonly mostWaiting: number
	) {}

	/** @throws TooManyWaiting */
	async run<T>(from: string, work: () => Promise<T>): Promise<T> {
		if (this.running >= this.atOnce) await this.turn(from);
		else this.running++;
		try {
			return await work();
		} finally {
			// Whoever comes next takes this place over.
			if (!this.next()) this.running--;
		}
	}

	private turn(from: string): Promise<void> {
		if (this.waiting >= this.mostWaiting) throw new TooManyWaiting();
		this.waiting++;
		return new Promise((resolve) => {
			const line = this.lines.get(from) ?? [];
			line.push(resolve);
			this.lines.set(from, line);
		});
	}

	private next(): boolean {
		const [first] = this.lines;
		if (!first) return false;
		const [from, line] = first;
		this.waiting--;
		const begin = line.shift()!;
		// Its line goes to the end.
		this.lines.delete(from);
		if (line.length) this.lines.set(from, line);
		begin();
		return true;
	}
}
