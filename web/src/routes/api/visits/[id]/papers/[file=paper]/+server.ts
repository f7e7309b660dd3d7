import { workshopOf } from '$lib/server/auth/guard';
import { paperOf } from '$lib/server/papers/papers';
import { PAPERS, type Paper } from '$lib/record/papers';

/** A paper of a visit: the owner's report, the instrument's card, the next visit for a calendar. */
export async function GET({ locals, params }) {
	const paper = (Object.keys(PAPERS) as Paper[]).find((each) => PAPERS[each].file === params.file)!;
	const made = await paperOf(workshopOf(locals), params.id, paper, new Date());
	return new Response(typeof made === 'string' ? made : new Uint8Array(made), {
		headers: {
			'content-type': PAPERS[paper].type,
			'content-disposition': `attachment; filename="${params.file}"`,
			'cache-control': 'private, no-store'
		}
	});
}
