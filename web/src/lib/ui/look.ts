/** How the screen looks: for daylight, or dim for dark rooms. */
export type Look = 'day' | 'lamp';
const COOKIE = 'fendrel_look';

export function lookNow(): Look {
	return document.documentElement.dataset.look === 'lamp' ? 'lamp' : 'day';
}

export function keepLook(look: Look): void {
	document.documentElement.dataset.look = look;
	document.cookie = `${COOKIE}=${look}; path=/; max-age=31536000; samesite=lax`;
}

/** A page that was kept on the device may have been kept under another look. */
export function lookKept(): void {
	const kept = document.cookie.split('; ').find((each) => each.startsWith(`${COOKIE}=`));
	document.documentElement.dataset.look = kept?.endsWith('=lamp') ? 'lamp' : 'day';
}
