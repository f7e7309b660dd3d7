import { signedInOf } from '$lib/server/auth/guard';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = ({ locals }) => {
	const { userId, name, workshop, role, writing } = signedInOf(locals);
	return {
		look: locals.look,
		signedIn: { userId, name, workshop, role, writing },
		/** Where the application answered before, when its port has changed. */
		former: process.env.FENDREL_FORMER_ADDRESS
	};
};
