import { signedInOf } from '$lib/server/auth/guard';

/** Who is signed in: what a device remembers for when there is no server. */
export function GET({ locals }) {
	const { userId, name, workshop, role, writing } = signedInOf(locals);
	return Response.json({ userId, name, workshop, role, writing });
}
