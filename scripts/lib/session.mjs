// @ts-check
// A session with the demo account, without a browser.

/** @param {string} address @returns {Promise<string>} a session's cookie */
export async function signedIn(address) {
	const page = await (await fetch(`${address}/signin`)).text();
	const value = (/** @type {string} */ name) => new RegExp(`name="${name}" value="([^"]*)"`).exec(page)?.[1] ?? '';
	const answer = await fetch(`${address}/signin`, {
		method: 'POST',
		body: new URLSearchParams({ email: value('email'), password: value('password') }),
		headers: { origin: address },
		redirect: 'manual'
	});
	const cookies = answer.headers.getSetCookie().map((each) => each.split(';')[0]);
	if (!cookies.some((each) => each.startsWith('fendrel_session='))) throw new Error('could not sign in');
	return cookies.join('; ');
}
