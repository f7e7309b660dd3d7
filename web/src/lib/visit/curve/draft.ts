import { type CurveChoice } from '$lib/tuning/curve';
import { wishSchema } from '$lib/tuning/wishSchema';

/** A curve not yet taken, as words of the page's address: it outlives a reload. */
export function wordsOf({ lead, with: other, share, top, held }: CurveChoice): URLSearchParams {
	const words = new URLSearchParams({ lead });
	if (other !== null) {
		words.set('with', other);
		words.set('share', String(share));
	}
	if (top !== 0) words.set('top', String(top));
	const kept = Object.entries(held).map(([note, value]) => `${note}_${value}`);
	if (kept.length) words.set('held', kept.join(','));
	return words;
}

/** The draft that an address holds; undefined when it holds none, or none that can be. */
export function draftOf(words: URLSearchParams): CurveChoice | undefined {
	if (!words.has('lead')) return undefined;
	const held = (words.get('held') ?? '')
		.split(',')
		.filter(Boolean)
		.map((each) => each.split('_'));
	const parsed = wishSchema.safeParse({
		lead: words.get('lead'),
		with: words.get('with'),
		share: Number(words.get('share') ?? 0),
		top: Number(words.get('top') ?? 0),
		held: Object.fromEntries(held.map(([note, value]) => [note, Number(value)]))
	});
	return parsed.success ? parsed.data : undefined;
}

export function isSameWish(a: CurveChoice, b: CurveChoice): boolean {
	return String(wordsOf(a)) === String(wordsOf(b));
}
