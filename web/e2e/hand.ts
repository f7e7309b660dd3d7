import { expect, type Page } from '@playwright/test';
import { countHeard } from './overheard';

/*
 * A hand that strikes and turns by what it hears of the loudspeaker.
 */

/** Strikes, and waits until so many more sounds have been made. */
export async function strikeHeard(page: Page, count: number, key = 'Space'): Promise<void> {
	const before = await countHeard(page);
	await page.keyboard.press(key);
	await expect.poll(() => countHeard(page)).toBe(before + count);
}
export const cents = (from: number, to: number) => 1200 * Math.log2(to / from);
export const equal = (note: number) => 440 * 2 ** ((note - 69) / 12);

/**
 * Turns the lever until a figure that is heard is where it is wanted. The lever's gear is not known: the first turns tell it, as they
 * tell a hand.
 */
export async function turnUntil(
	page: Page,
	hear: () => Promise<number>,
	wanted: number,
	within: number
): Promise<void> {
	let off = (await hear()) - wanted;
	let each = 0;
	for (let round = 0; round < 20 && Math.abs(off) > within; round++) {
		const turns = each ? Math.max(-6, Math.min(6, -off / each)) : 1;
		const whole = Math.trunc(turns);
		const hairs = Math.round((turns - whole) / 0.15);
		const press = async (key: string, times: number) => {
			for (let i = 0; i < times; i++) await page.keyboard.press(key);
		};
		await press(whole > 0 ? 'ArrowUp' : 'ArrowDown', Math.abs(whole));
		await press(hairs > 0 ? 'Shift+ArrowUp' : 'Shift+ArrowDown', Math.abs(hairs));
		const moved = whole + 0.15 * hairs;
		const now = (await hear()) - wanted;
		if (moved && Math.abs(moved) >= 1) each = (now - off) / moved;
		off = now;
	}
}
