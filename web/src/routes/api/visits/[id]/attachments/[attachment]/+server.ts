import { workshopOf } from '$lib/server/auth/guard';
import { attachmentOf, keepAttachment } from '$lib/server/visits/attachments';

/** A photo or a sound of a visit. */
export async function GET({ locals, params }) {
	const { type, bytes } = await attachmentOf(workshopOf(locals), params.id, params.attachment);
	return new Response(new Uint8Array(bytes), {
		headers: {
			'Content-Type': type,
			'Content-Disposition': 'inline',
			'Cache-Control': 'private, no-store',
			'Content-Security-Policy': "default-src 'none'; sandbox"
		}
	});
}

/** Keeps one; sending it twice keeps it once. */
export async function PUT({ request, locals, params }) {
	const bytes = Buffer.from(await request.arrayBuffer());
	await keepAttachment(workshopOf(locals), params.id, params.attachment, bytes);
	return Response.json({ saved: true });
}
