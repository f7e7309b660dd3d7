import { redirect } from '@sveltejs/kit';
import { signedInOf } from '$lib/server/auth/guard';
import { mayDo } from '$lib/workshop/roles';

/** The day's round; who only looks has none. */
export const load = ({ locals }) => redirect(307, mayDo(signedInOf(locals).role, 'work') ? '/round' : '/instruments');
