import type { HandleClientError } from '@sveltejs/kit';

/** A page that the server was to make and did not: said as that, with what can be done without it. */
export const handleError: HandleClientError = ({ error, status, message }) => {
	const unreachable = error instanceof TypeError && /fetch|network|load/i.test(error.message);
	if (unreachable)
		return {
			message: 'The server does not answer.',
			advice: 'This page needs it. Meanwhile you can work with what is stored on this device.',
			away: true
		};
	if (status === 404) return { message: 'There is nothing at this address.' };
	return { message, advice: 'Nothing you saved is lost. Go back and try again.' };
};
