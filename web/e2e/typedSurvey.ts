import { expect, type Page } from '@playwright/test';

const NAMES = ['C', 'C#', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'G#', 'A', 'Bb', 'B'];
const nameOf = (note: number) => `${NAMES[note % 12]}${Math.floor(note / 12) - 1}`;

/** A trace off the line, the same every time: notes never stand in one to a tenth of a cent. */
const scatter = (note: number) => 0.9 * Math.sin(7.3 * note) * Math.cos(1.7 * note);

/** Types what was measured elsewhere, of every note of a piano: cents from the plan. */
export async function typeLevels(page: Page, levelOf: (note: number) => number, step = 1): Promise<void> {
	const lines: string[] = [];
	for (let note = 21; note <= 108; note += step)
		lines.push(`${nameOf(note)}; ${(levelOf(note) + scatter(note)).toFixed(1)}`);
	await page.getByRole('link', { name: 'Sound', exact: true }).click();
	await page.getByRole('button', { name: 'Type or paste' }).click();
	await page.getByLabel('Notes and pitches').fill(lines.join('\n'));
	await page.getByRole('button', { name: /^Keep \d+/ }).click();
	await expect(page.getByTestId('verdict')).toBeVisible();
}
