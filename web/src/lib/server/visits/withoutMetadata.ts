/** Markers of a JPEG that say where and by what it was taken (Exif, XMP, IPTC, comments); what it is drawn by stays. */
const isAbout = (marker: number) => (marker >= 0xe1 && marker <= 0xed) || marker === 0xef || marker === 0xfe;
const SCAN = 0xda;

/**
 * A photo without what it says of its making: place, device, time. The page draws photos anew and sends none of that; others may.
 * From where its parts cannot be followed it stays as it is.
 */
export function withoutMetadata(jpeg: Buffer): Buffer {
	if (jpeg[0] !== 0xff || jpeg[1] !== 0xd8) return jpeg;
	const kept = [jpeg.subarray(0, 2)];
	let at = 2;
	while (at + 4 <= jpeg.length && jpeg[at] === 0xff && jpeg[at + 1] !== SCAN) {
		const end = at + 2 + jpeg.readUInt16BE(at + 2);
		if (end > jpeg.length) break;
		if (!isAbout(jpeg[at + 1])) kept.push(jpeg.subarray(at, end));
		at = end;
	}
	kept.push(jpeg.subarray(at));
	return Buffer.concat(kept);
}
