/** Tells when something takes the ear away: the page out of sight, a loudspeaker that comes or goes. @returns ends it */
export function whenInterrupted(told: (why: string) => void): () => void {
	const hidden = () => document.hidden && told('The page was out of sight: that one does not count.');
	const unplugged = () => told('A sound device came or went: that one does not count.');
	document.addEventListener('visibilitychange', hidden);
	navigator.mediaDevices?.addEventListener('devicechange', unplugged);
	return () => {
		document.removeEventListener('visibilitychange', hidden);
		navigator.mediaDevices?.removeEventListener('devicechange', unplugged);
	};
}
