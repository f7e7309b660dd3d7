import { expect, test } from '@playwright/test';
import { parseNote } from '@fendrel/core';
import { cents, equal, strikeHeard, turnUntil } from './hand';
import { frequencies, overhear } from './overheard';
import { leaveField, signIn } from './parts';

test('two strings of the piano in front of one are heard, turned there, and measured when they are said to stand', async ({
	page
}) => {
	await overhear(page);
	await signIn(page);
	await page.goto('/practice/stillness');
	await page.getByRole('button', { name: 'on the piano in front of you' }).click();
	await expect(page.getByText(/^Press Listen, then strike/)).toBeVisible();
	const trial = page.getByRole('region', { name: 'Trial' });
	await page.keyboard.press('Enter');
	await expect(trial.getByText('Strike both strings, and let them ring.')).toBeVisible();
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(trial.getByText('0 strikes heard')).toBeVisible();
	await leaveField(page);
	const due = await trial.getByText(/^Bring two strings of/).innerText();
	const about = equal(parseNote(/of (\S+) together/.exec(due)![1])!);
	const looks = () => trial.locator('[data-looks]').getAttribute('data-looks');
	/** Cents by which the string under the lever stands above the other, once the strike has been looked at. */
	const apart = async () => {
		const before = await looks();
		await strikeHeard(page, 2);
		const [still, moved] = await frequencies(page, [about, about]);
		await expect.poll(looks).not.toBe(before);
		return cents(still, moved);
	};
	await turnUntil(page, apart, 0, 0.25);
	await page.keyboard.press('PageDown');
	await expect(trial.getByText(/^\d\.\d\d cents apart, in \d+ strikes and \d+ seconds\.$/)).toBeVisible();
	const told = await trial.getByText(/cents apart, in/).innerText();
	expect(Number.parseFloat(told)).toBeLessThan(1);
	await page.keyboard.press('Escape');
	await page.getByRole('link', { name: 'All drills' }).click();
	await expect(page.getByRole('region', { name: 'Stillness' }).getByText('1 sitting')).toBeVisible();
});

test('strings are left to hold, the page is closed, and ten minutes later they are read again', async ({ page }) => {
	// The clock of the page goes on faster where the journey says so: nothing else can wait ten minutes.
	await page.addInitScript(() => {
		const real = Date.now;
		Date.now = () => real() + Number(sessionStorage.getItem('ahead') ?? 0);
	});
	await signIn(page);
	await page.goto('/practice/holding?by=microphone');
	const trial = page.getByRole('region', { name: 'Trial' });
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(trial.getByText('0 strikes heard')).toBeVisible();
	await leaveField(page);
	const blows = async () => {
		for (let blow = 1; blow <= 3; blow++) {
			await page.keyboard.press('b');
			await expect(trial.getByText(blow === 1 ? '1 strike heard' : `${blow} strikes heard`)).toBeVisible();
		}
	};
	await page.keyboard.press('b');
	await expect(trial.getByText('1 strike heard')).toBeVisible();
	await page.keyboard.press('Enter');
	await expect(trial.getByText('Give it 3 firm blows before you leave it.')).toBeVisible();
	for (const heard of [2, 3]) {
		await page.keyboard.press('b');
		await expect(trial.getByText(`${heard} strikes heard`)).toBeVisible();
	}
	await page.keyboard.press('Enter');
	await expect(trial.getByText('1 of 10 set')).toBeVisible();
	// Eight more were left before, each half a cent off the first.
	await page.evaluate(() => {
		const kept = JSON.parse(localStorage.getItem('fendrel.holding')!);
		const [first] = kept.left;
		const more = Array.from({ length: 8 }, (_, i) => ({ ...first, note: first.note + 1 + i }));
		localStorage.setItem('fendrel.holding', JSON.stringify({ ...kept, left: [first, ...more] }));
	});
	await page.reload();
	await expect(trial.getByText('9 of 10 set')).toBeVisible();
	await page.getByRole('button', { name: 'Listen' }).click();
	await expect(trial.getByText('0 strikes heard')).toBeVisible();
	await leaveField(page);
	await blows();
	await page.keyboard.press('Enter');
	await expect(trial.getByText(/^C4 is read again in (10:00|9:\d\d)$/)).toBeVisible();
	await expect(page.getByRole('button', { name: 'Read it' })).toBeDisabled();
	await page.evaluate(() => sessionStorage.setItem('ahead', '600000'));
	await expect(trial.getByText('Strike C4 again, the same string')).toBeVisible();
	await blows();
	await page.keyboard.press('PageDown');
	await expect(trial.getByText('1 of 10 read again')).toBeVisible();
	await page.keyboard.press('Escape');
	// A pin that nobody has turned holds.
	await expect(trial.getByText(/1 string|100 %/).first()).toBeVisible();
	await page.getByRole('link', { name: 'All drills' }).click();
	await expect(page.getByRole('region', { name: 'Holding' }).getByText('1 sitting')).toBeVisible();
	await page.goto('/practice/holding?by=microphone');
	await expect(trial.getByText('0 of 10 set')).toBeVisible();
});
