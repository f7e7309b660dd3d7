import { expect, test, type Page } from '@playwright/test';
import { signIn } from './parts';

const listen = (page: Page) => page.getByRole('button', { name: 'Listen' }).click();
/** Strikes by a button until the last word of it has come. */
async function hearFinally(page: Page, button: string | RegExp, told: () => Promise<number>): Promise<void> {
	const before = await told();
	await page.getByRole('button', { name: button }).first().click();
	await expect.poll(told, { timeout: 60_000 }).toBeGreaterThanOrEqual(before + 3);
}

test('an interval is heard: its beat, its sense, beside what the plan asks for; another one takes its place', async ({
	page
}) => {
	test.setTimeout(180_000);
	await signIn(page);
	await page.getByRole('link', { name: 'Intervals' }).click();
	await listen(page);
	const heard = page.getByTestId('heard');
	const told = async () => Number(await heard.getAttribute('data-told'));
	await hearFinally(page, 'Strike F3 and A3', told);
	await expect(heard).toContainText(/\d\.\d\d wide\s*heard, ±0\.0\d/);
	await expect(heard).toContainText(/F3-A3; the plan asks for 6\.6 wide: (as asked|\d\.\d too (fast|slow))\./);
	// Another interval, then its test notes: the comparison stands where both were heard.
	await page.getByLabel('Two notes').fill('F3 F4');
	await page.getByLabel('Two notes').press('Enter');
	await hearFinally(page, 'Strike F3 and F4', told);
	await expect(heard).toContainText('F3-F4');
	await expect(page.getByRole('columnheader', { name: 'heard', exact: true })).toBeVisible();
	await hearFinally(page, /^Strike .* with F3$/, told);
	await hearFinally(page, /^Strike .* with F4$/, told);
	await expect(page.getByTestId('proof')).toContainText(
		/beats \d\.\d ±0\.\d+\s+(slower|faster) with F4 than with F3: (wide|narrow|alike: pure|too close to tell)\./
	);
	await page.getByLabel('Strings that sound').getByRole('button', { name: 'unisons open' }).click();
	await hearFinally(page, 'Strike F3 and F4', told);
	await page.getByRole('button', { name: 'Stop' }).click();
	await expect(heard).toHaveCount(0);
});

test('the thirds of an octave are heard, not typed: the one that goes the wrong way is named, and kept', async ({
	page
}) => {
	test.setTimeout(300_000);
	await signIn(page);
	await page.goto('/intervals/counts');
	await listen(page);
	const bar = page.locator('.hear');
	const told = async () => Number(await bar.getAttribute('data-told'));
	// Major thirds, minor thirds, fifths: as many as prove each other.
	for (let i = 0; i < 9 + 10 + 6; i++) await hearFinally(page, /^Strike [A-G]/, told);
	// A string that beats by itself may leave some untold.
	const sofar = page.getByText(/counts? by ear, \d+ by the app so far\./);
	await expect(sofar).toContainText(/0 counts by ear, (1[89]|2[0-5]) by the app/);
	const app = Number((await sofar.textContent())!.match(/(\d+) by the app/)![1]);
	await expect(page.getByTestId('verdict')).toContainText(/notes? to move|is .* (flat|sharp)/);
	await expect(page.getByText(/[A-G].*-.*[A-G].* is (slower|faster) than .*: (raise|lower) /).first()).toBeVisible();
	// An ear's count stands beside the app's; what the app heard can be left out.
	await page.getByLabel('F3-A3', { exact: true }).fill('7.1');
	await expect(sofar).toContainText(`1 count by ear, ${app} by the app`);
	await page.getByRole('button', { name: 'Leave out what the app heard of F3-A3' }).click();
	await expect(sofar).toContainText(`1 count by ear, ${app - 1} by the app`);
	await page.getByRole('button', { name: /^Keep/ }).click();
	await expect(page).toHaveURL(/kept=/);
	await page.reload();
	await expect(sofar).toContainText(`1 count by ear, ${app - 1} by the app`);
});

test('a bearing plan is followed by ear with the app as witness: what to move, and a quiet yes', async ({ page }) => {
	test.setTimeout(420_000);
	await signIn(page);
	await page.goto('/temperaments/equal/bearing-plan?school=circle');
	await listen(page);
	const step = page.getByRole('region', { name: 'The step to do now' });
	const turn = async (cents: number) => {
		for (const size of [5, 1, 0.2])
			for (let left = Math.floor((Math.abs(cents) + 0.05) / size); left > 0; left--) {
				await step.getByRole('button', { name: `${cents < 0 ? 'Lower' : 'Raise'} the pin by ${size} cents` }).click();
				cents -= Math.sign(cents) * size;
			}
	};
	const strike = step.getByRole('button', { name: 'Strike', exact: true });
	const word = step.locator('[data-right]').first();
	/** Strikes and turns until the app agrees. */
	const set = async () => {
		for (let tries = 0; tries < 25; tries++) {
			await strike.click();
			// What cannot be told is struck again.
			if (
				!(await word.waitFor({ timeout: 15_000 }).then(
					() => true,
					() => false
				))
			)
				continue;
			if ((await word.getAttribute('data-right')) === 'true') return;
			const said = (await word.textContent()) ?? '';
			const move = said.match(/(raise|lower) \S+ ([\d.]+) cents/) ?? said.match(/([\d.]+) cents? (flat|sharp)/);
			if (!move) continue;
			const [size, way] = move[1] === 'raise' || move[1] === 'lower' ? [move[2], move[1]] : [move[1], move[2]];
			await turn((way === 'raise' || way === 'flat' ? 1 : -1) * Number(size));
		}
		throw new Error('the step was not set in 25 rounds');
	};
	for (let i = 0; i < 3; i++) {
		await set();
		await step.getByRole('button', { name: 'Next note' }).click();
	}
	await expect(step).toContainText('Step 4 of');
});
