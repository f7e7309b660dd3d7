import { workshopOf } from '$lib/server/auth/guard';
import { holdingsOf } from '$lib/server/db/stores/holdings';

/** How much of everything the workshop has: counted when somebody asks, since it takes a while in a large one. */
export const GET = async ({ locals }) => Response.json(await holdingsOf(workshopOf(locals)));
