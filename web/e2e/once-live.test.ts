import { expect, test } from '@playwright/test';
import { signIn } from './parts';

// What the service worker has would not be asked for.
test.use({ serviceWorkers: 'block' });

test('on a slow line what can be pressed and chosen waits until the page lives, and links lead on at once', async ({
	page
}) => {
	await signIn(page);
	let arrive = () => {};
	const arrived = new Promise<void>((resolve) => (arrive = resolve));
	await page.route('**/_app/immutable/**/*.js', async (route) => {
		await arrived;
		await route.fallback();
	});
	await page.goto('/instruments/new', { waitUntil: 'commit' });
	const kind = page.getByLabel('Kind');
	await expect(kind).toBeVisible();
	await expect(kind).toBeDisabled();
	await expect(page.getByLabel('Name')).toBeDisabled();
	await expect(page.getByRole('button', { name: 'Add it' })).toBeDisabled();
	await page.getByRole('link', { name: 'Temperaments', exact: true }).first().click();
	await expect(page).toHaveURL(/\/temperaments$/);

	await page.goto('/search', { waitUntil: 'commit' });
	const field = page.getByRole('main').getByRole('searchbox');
	await expect(field).toBeDisabled();
	arrive();
	await expect(field).toBeFocused();
	await page.goto('/instruments/new');
	await kind.selectOption('reeds');
	await expect(page.getByLabel('Lowest note')).toHaveCount(0);
	await expect(kind).toHaveValue('reeds');
});
