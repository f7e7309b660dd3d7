import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = ({ locals }) => {
	const { signedIn, look } = locals;
	return { look, signedIn: signedIn && { name: signedIn.name, workshop: signedIn.workshop } };
};
