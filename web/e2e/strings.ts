import { expect, type Page } from '@playwright/test';

export const due = (page: Page) => page.getByRole('region', { name: 'The string that is due' });
export const says = (page: Page) => due(page).getByRole('status');

/** Sounds the due string, evenly unless told otherwise, and waits until it is read. */
export async function sound(page: Page, key = '1'): Promise<void> {
	const before = await due(page).innerText();
	await page.keyboard.press(key);
	await expect(says(page).filter({ hasNotText: 'It sounds' })).toBeVisible();
	await expect(async () => expect(await due(page).innerText()).not.toBe(before)).toPass();
	await expect(says(page)).not.toContainText('It sounds');
}

/** Turns the due string's peg by what is said until it is set. */
export async function setString(page: Page, set: string): Promise<void> {
	for (let turns = 0; turns < 8; turns++) {
		const [, way, cents] = /(Raise|Lower) ([\d.]+) cent/.exec((await says(page).textContent())!) ?? [];
		for (let left = Math.round(Number(cents ?? 0)); left > 0; left -= left >= 10 ? 10 : 1)
			await page.keyboard.press(`${left >= 10 ? 'Shift+' : ''}Arrow${way === 'Raise' ? 'Up' : 'Down'}`);
		await sound(page);
		const done = page.getByText(`${set}: set.`);
		if (await done.isVisible()) return;
	}
	throw new Error(`${set} was not set`);
}
