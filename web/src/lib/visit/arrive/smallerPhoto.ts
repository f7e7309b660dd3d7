import { MOST_BYTES } from '$lib/record/attachmentKinds';
import type { Result } from '$lib/ui/result';
import { fixed } from '$lib/ui/format';

/** Longer sides of a photo that are tried, and how well it is drawn; in this order, until it is small enough. */
const TRIES = [
	{ side: 1600, quality: 0.82 },
	{ side: 1600, quality: 0.7 },
	{ side: 1280, quality: 0.7 },
	{ side: 1024, quality: 0.6 },
	{ side: 800, quality: 0.5 }
] as const;
/** Photos that browsers can open at all. */
const MOST_MEGABYTES = 100;

/**
 * A photo as it is kept: drawn anew, so that it is small and says nothing of where it was taken.
 * @returns a JPEG, or why there is none
 */
export async function smallerPhoto(file: Blob): Promise<Result<Blob>> {
	const size = file.size / 2 ** 20;
	if (size > MOST_MEGABYTES)
		return {
			problem: `This photo has ${fixed(size, 0)} MB; up to ${MOST_MEGABYTES} can be opened. Take a smaller one.`
		};
	const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => undefined);
	if (!picture) return { problem: 'This file cannot be read as a photo. Choose a JPEG, PNG or WebP picture.' };
	try {
		for (const { side, quality } of TRIES) {
			const scale = Math.min(1, side / Math.max(picture.width, picture.height));
			const canvas = new OffscreenCanvas(
				Math.max(1, Math.round(scale * picture.width)),
				Math.max(1, Math.round(scale * picture.height))
			);
			canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
			const drawn = await canvas.convertToBlob({ type: 'image/jpeg', quality });
			if (drawn.size <= MOST_BYTES) return { value: drawn };
		}
	} finally {
		picture.close();
	}
	return { problem: 'This photo does not become small enough. Take it from nearer, or with less in it.' };
}
