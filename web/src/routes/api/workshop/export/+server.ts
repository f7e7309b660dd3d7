import { error } from '@sveltejs/kit';
import { workshopOf } from '$lib/server/auth/guard';
import { linesOf } from '$lib/server/transfer/linesOf';

/** Each holds a connection to the database as long as its reader takes. */
const MOST_AT_ONCE = 2;
let reading = 0;

/** Everything of the workshop, as lines of JSON. */
export function GET({ locals }) {
	if (reading >= MOST_AT_ONCE) error(503, { message: 'Others are taking their workshops out. Try again in a minute.' });
	const lines = linesOf(workshopOf(locals));
	reading++;
	const over = once(() => reading--);
	const encoder = new TextEncoder();
	const body = new ReadableStream<Uint8Array>({
		// Nothing is read before it is asked for: a slow reader costs no memory.
		async pull(out) {
			const { value, done } = await lines.next().catch((fault: unknown) => {
				over();
				throw fault;
			});
			if (!done) return out.enqueue(encoder.encode(value));
			over();
			out.close();
		},
		cancel: () => {
			over();
			void lines.return(undefined);
		}
	});
	return new Response(body, {
		headers: {
			'Content-Type': 'application/x-ndjson',
			'Content-Disposition': `attachment; filename="fendrel-workshop-${new Date().toISOString().slice(0, 10)}.jsonl"`,
			'Cache-Control': 'private, no-store'
		}
	});
}

/** Does something the first time only. */
function once(act: () => void): () => void {
	let isDone = false;
	return () => {
		if (!isDone) act();
		isDone = true;
	};
}
