import { connection } from '$lib/device/connection.svelte';
import { sent } from '$lib/device/send';

/** What a file of a workshop says of itself, before it is taken in. */
export interface FileTold {
	readonly at: Date;
	readonly name: string;
	readonly counts: ReadonlyMap<string, number>;
	/** The file, cut at line ends into parts that one request can carry. */
	readonly parts: readonly string[];
}

/** Characters of a part: written as JSON within a request of two megabytes. */
const PART = 500_000;

/** Reads a file line by line. @returns what is wrong, as a sentence, where it is none */
export async function readWorkshopFile(file: Blob): Promise<FileTold | { readonly problem: string }> {
	const parts: string[] = [];
	const counts = new Map<string, number>();
	let [rest, part, name, lines] = ['', '', '', 0];
	let at: Date | undefined;
	const take = (line: string): string | undefined => {
		if (line.trim() === '') return undefined;
		if (line.length > 1_500_000) return `Line ${lines + 1} is longer than any that Fendrel writes.`;
		let row: { fendrel?: unknown; at?: unknown; table?: unknown; name?: unknown };
		try {
			row = JSON.parse(line) as typeof row;
		} catch {
			return lines === 0
				? NO_FILE
				: `Line ${lines + 1} cannot be read: the file is damaged, or not all of it is there.`;
		}
		if (lines++ === 0) {
			if (row.fendrel !== 'workshop') return NO_FILE;
			at = new Date(String(row.at));
		} else {
			const table = String(row.table);
			counts.set(table, (counts.get(table) ?? 0) + 1);
			if (table === 'workshops') name = String(row.name);
		}
		if (part.length + line.length > PART && part) {
			parts.push(part);
			part = '';
		}
		part += `${line}\n`;
		return undefined;
	};
	const reader = file.stream().pipeThrough(new TextDecoderStream()).getReader();
	for (;;) {
		const { value, done } = await reader.read();
		const all = (rest + (value ?? '')).split('\n');
		rest = done ? '' : all.pop()!;
		for (const line of all) {
			const problem = take(line);
			if (problem) {
				await reader.cancel();
				return { problem };
			}
		}
		if (done) break;
	}
	if (!at) return { problem: NO_FILE };
	parts.push(part);
	return { at, name, counts, parts };
}
const NO_FILE = 'This is no file of a workshop. Choose what “Download all of it” gave.';

/** Sends a file and has it taken in. @param onShare told how much of it is there, 0 to 1 @returns what is in the way */
export async function sendWorkshop(
	{ parts }: FileTold,
	id: string,
	onShare: (share: number) => void
): Promise<string | undefined> {
	for (const [part, text] of parts.entries()) {
		const problem = await sent('PUT', `/api/workshop/import/${id}`, { part, text });
		if (problem) return problem;
		onShare((part + 1) / (parts.length + 1));
	}
	const begun = await sent('POST', `/api/workshop/import/${id}`, { parts: parts.length });
	return begun ?? whenTakenIn(id);
}

/** So often it is asked how far it has come, and for so long at most. */
const ASKED = { everyMs: 1000, times: 1800 } as const;

async function whenTakenIn(id: string): Promise<string | undefined> {
	for (let i = 0; i < ASKED.times; i++) {
		const answer = await connection.ask<{ state: string; problem?: string }>(`/api/workshop/import/${id}`, {});
		if (answer.kind === 'told' && answer.body.state === 'done') return undefined;
		if (answer.kind === 'told' && answer.body.problem) return answer.body.problem;
		if (answer.kind === 'refused') return answer.message;
		// A server that does not answer now may in a moment.
		await new Promise((resolve) => setTimeout(resolve, ASKED.everyMs));
	}
	return 'The server has not finished. Look at the register in a while.';
}
