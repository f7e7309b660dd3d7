import { workshopOf } from '$lib/server/auth/guard';
import { linesOf } from '$lib/server/transfer/linesOf';

/** Everything of the workshop, as lines of JSON. */
export function GET({ locals }) {
	const lines = linesOf(workshopOf(locals));
	const encoder = new TextEncoder();
	const body = new ReadableStream<Uint8Array>({
		// Nothing is read before it is asked for: a slow reader costs no memory.
		async pull(out) {
			const { value, done } = await lines.next();
			if (done) out.close();
			else out.enqueue(encoder.encode(value));
		},
		cancel: () => void lines.return(undefined)
	});
	return new Response(body, {
		headers: {
			'Content-Type': 'application/x-ndjson',
			'Content-Disposition': `attachment; filename="fendrel-workshop-${new Date().toISOString().slice(0, 10)}.jsonl"`,
			'Cache-Control': 'private, no-store'
		}
	});
}
