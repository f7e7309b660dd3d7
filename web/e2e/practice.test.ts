import { randomUUID } from 'node:crypto';
import { expect, test, type Page } from '@playwright/test';
import tone from '@tonejs/midi';
import { parseNote } from '@fendrel/core';
import { cents, equal, strikeHeard, turnUntil } from './hand';
import { countHeard, frequencies, overhear } from './overheard';
import { addInstrument, joined, signIn } from './parts';

/** Which of the last three sounds is unlike the two others, and how unlike (0 to 1). */
const oddOne = (page: Page) =>
	page.evaluate(() => {
		const three = (window as unknown as { heard: Float32Array[] }).heard.slice(-3);
		const unlike = (a: Float32Array, b: Float32Array) => {
			let [off, all] = [0, 0];
			for (let i = 0; i < a.length; i++) {
				off += (a[i] - b[i]) ** 2;
				all += a[i] ** 2 + b[i] ** 2;
			}
			return off / all;
		};
		const sums = three.map((one) => three.reduce((sum, other) => sum + unlike(one, other), 0));
		const which = sums.indexOf(Math.max(...sums));
		return { which, unlike: unlike(three[which], three[(which + 1) % 3]) };
	});

/** Plays a trial and waits until it sounds. */
async function play(page: Page, trial: number): Promise<void> {
	await page.keyboard.press('Space');
	await expect(page.getByRole('group', { name: /^Which of/ })).toHaveAttribute('data-asked', 'true');
	await expect(page.getByText('sounds', { exact: true })).toBeVisible();
	await expect.poll(() => countHeard(page)).toBe(3 * trial);
}

test('sizes: an ear that hears is measured, by keys and pedal; it stays over a reload, and can be deleted', async ({
	page
}) => {
	await overhear(page);
	await signIn(page);
	await page.getByRole('link', { name: 'Practice', exact: true }).click();
	await expect(page.getByRole('heading', { name: 'What does your ear tell apart?' })).toBeVisible();
	await page.getByRole('link', { name: 'Sizes, A4 to G♯5' }).click();
	await expect(page.getByRole('heading', { name: 'Sizes', exact: true })).toBeVisible();
	await expect(page.getByRole('button', { name: 'Play' })).toBeEnabled();
	for (let trial = 1; trial <= 30; trial++) {
		await play(page, trial);
		const { which, unlike } = await oddOne(page);
		// What it does not hear it does not know.
		await page.keyboard.press(String(1 + (unlike > 0.01 ? which : trial % 3)));
		if (trial < 30) await expect(page.getByText(/^(Yes, |No: )\d was \d+\.\d+ cents apart\.$/)).toBeVisible();
		if (trial === 7) {
			// Once more, and then something takes the ear away: that one does not count.
			await page.keyboard.press('Space');
			await expect(page.getByText('sounds', { exact: true })).toBeVisible();
			await page.evaluate(() => navigator.mediaDevices.dispatchEvent(new Event('devicechange')));
			await expect(page.getByText('A sound device came or went: that one does not count.')).toBeVisible();
			await expect(page.getByText('7 of 30 answered')).toBeVisible();
			await page.evaluate(() => void (window as unknown as { heard: unknown[] }).heard.splice(0, 3));
		}
	}
	const asks = page.getByRole('region', { name: 'Trial' }).getByText(/^\d+\.\d+ cents$/);
	await expect(asks).toBeVisible();
	const found = Number.parseFloat(await asks.innerText());
	expect(found).toBeGreaterThan(0.1);
	expect(found).toBeLessThan(4);
	await page.getByRole('link', { name: 'All drills' }).click();
	const sizes = page.getByRole('region', { name: 'Sizes', exact: true });
	await expect(sizes.getByText(/between .* and .*, nine times of ten; 30 more answers make it firm/)).toBeVisible();
	await expect(sizes.getByRole('img', { name: /^Figures from sitting to sitting/ })).toHaveCount(2);
	await page.reload();
	const csv = await (await page.request.get('/practice/download?format=csv')).text();
	expect(csv.split('\n')[0]).toBe(
		'began,drill,register,answer,size,right,guessed,way,from,asked,set,tries,seconds,note,last'
	);
	expect(csv.split('\n').filter((line) => line.includes(',sizes,treble,'))).toHaveLength(30);
	const json = await (await page.request.get('/practice/download?format=json')).json();
	expect(json).toMatchObject({ format: 'fendrel-practice', version: 1 });
	// Other journeys practise meanwhile.
	const mine = json.sittings.filter(
		({ drill, register }: Record<string, string>) => `${drill} ${register}` === 'sizes treble'
	);
	expect(mine.at(-1).answers).toHaveLength(30);
	expect((await page.request.get('/practice/download?format=xml')).status()).toBe(400);
	await sizes.getByText('1 sitting').click();
	await sizes.getByRole('button', { name: /^Delete the sitting/ }).click();
	await page.getByRole('button', { name: 'Delete it' }).click();
	await expect(page.getByText('The sitting is gone.')).toBeVisible();
	await expect(sizes.getByRole('link', { name: 'Sizes, A4 to G♯5' })).toBeVisible();
});

test('whoever guesses is told so, and no threshold is made of it; a server that is away loses nothing', async ({
	page
}) => {
	await overhear(page);
	await signIn(page);
	await page.goto('/practice/sizes?register=top');
	await expect(page.getByRole('button', { name: 'Play' })).toBeEnabled();
	await page.route('**/api/practice/**', (route) => route.abort());
	for (let trial = 1; trial <= 30; trial++) {
		await play(page, trial);
		// The pedal takes what sounds just then. Otherwise right each third time, as chance has it in the long run, whatever is to be heard.
		const { which } = await oddOne(page);
		if (trial === 1) await page.keyboard.press('PageDown');
		else await page.keyboard.press(String(1 + (trial % 3 === 0 ? which : (which + 1) % 3)));
		if (trial < 30) await expect(page.getByText(`${trial} of 30 answered`)).toBeVisible();
	}
	await expect(page.getByText('These were guesses: no threshold is kept of them.')).toBeVisible();
	await expect(page.getByText(/30 answers kept on this device/)).toBeVisible();
	await page.unroute('**/api/practice/**');
	await page.goto('/practice');
	const sizes = page.getByRole('region', { name: 'Sizes', exact: true });
	await expect(sizes.getByText('1 sitting')).toBeVisible();
	// What comes in meanwhile draws the list anew, folded.
	const counted = sizes.getByText('30 answers, guesses: not counted');
	await expect(async () => {
		if (!(await counted.isVisible())) await sizes.getByText('1 sitting').click();
		await expect(counted).toBeVisible({ timeout: 2000 });
	}).toPass();
	await expect(sizes.getByText('Too few answers yet to say what you hear.')).toBeVisible();
});

test('the ear that practice has measured is the one that a bearing plan reckons with', async ({ page }) => {
	await signIn(page);
	await page.goto('/practice');
	await expect(page.getByText('Once both rates have been practised', { exact: false })).toBeVisible();
	for (const [register, heard] of [
		['quick', 0.12],
		['slow', 0.3]
	] as const) {
		// Heard from there on, guessed below.
		const trials = Array.from({ length: 60 }, (_, i) => {
			const size = heard * 2 ** ((i % 7) / 2 - 1.5);
			return { size, isRight: size >= heard || i % 2 === 0 };
		});
		const kept = await page.request.put(`/api/practice/sittings/${randomUUID()}`, {
			data: { drill: 'rates', register, beganAt: new Date().toISOString(), trials }
		});
		expect(kept.status()).toBe(200);
	}
	await page.reload();
	// What such an ear errs by, and the one that plans reckon with otherwise: before it is taken over.
	await expect(
		page.getByText(/it errs by \d\.\d\d cents; the ear that plans reckon with otherwise by \d\.\d\d cents/)
	).toBeVisible();
	await page.getByRole('button', { name: 'Use it in bearing plans' }).click();
	await expect(page.getByText('Bearing plans offer it as “as practised”.')).toBeVisible();
	await page.goto('/temperaments/equal/bearing-plan?school=circle');
	const by = page.getByText(/^cents, by an ear that counts to/);
	await expect(by).toContainText('0.1 per second or 6 %');
	await expect(page.getByLabel('Ear', { exact: true })).toBeEnabled();
	await page.getByLabel('Ear', { exact: true }).selectOption({
		label: (await page.getByLabel('Ear', { exact: true }).locator('option').last().innerText()).trim()
	});
	await expect(by).not.toContainText('0.1 per second or 6 %');
	await expect(page).toHaveURL(/ear=mine/);
	await page.goto('/practice');
	await page.getByRole('button', { name: 'Do not use it any more' }).click();
	await expect(page.getByText('It is no longer offered.')).toBeVisible();
	await page.goto('/temperaments/equal/bearing-plan?school=circle&ear=mine');
	await expect(by).toContainText('0.1 per second or 6 %');
});

test('the pair method, to par: one string moved by its beat, the other matched, measured, and kept', async ({
	page
}) => {
	await overhear(page);
	await signIn(page);
	await page.goto('/practice');
	await page.getByRole('link', { name: 'Pair method, A3 to G♯4, with a meter' }).click();
	const trial = page.getByRole('region', { name: 'Trial' });
	const phase = page.getByRole('region', { name: 'Answers' });
	await expect(trial.getByRole('button', { name: 'Strike the pair' })).toBeEnabled();
	await page.keyboard.press('Enter');
	await expect(trial.getByText('Strike them first.')).toBeVisible();
	for (let pair = 1; pair <= 5; pair++) {
		await expect(trial.getByText(`${pair - 1} of 5 done`)).toBeVisible();
		for (let tries = 0; tries < 6; tries++) {
			const due = await trial.getByText(/^Move one string of/).innerText();
			const [, name, by, way] = /of (\S+) ([\d.]+) cents (up|down)/.exec(due)!;
			const about = equal(parseNote(name)!);
			/** Cents by which the string that is moved stands above the other. */
			const apart = async () => {
				await strikeHeard(page, 2);
				const [still, moved] = await frequencies(page, [about, about]);
				return cents(still, moved);
			};
			await turnUntil(page, apart, way === 'up' ? Number(by) : -Number(by), 0.12);
			await page.keyboard.press('Enter');
			await expect(phase).toHaveAttribute('data-phase', 'match');
			// Now the other one is under the lever: up brings it nearer from below.
			const behind = async () => -(await apart());
			await turnUntil(page, behind, 0, 0.12);
			await page.keyboard.press('PageDown');
			await expect(phase).not.toHaveAttribute('data-phase', 'match');
			if (
				(await trial.getByText(`${pair} of 5 done`).count()) > 0 ||
				(await page.getByRole('button', { name: 'Another sitting' }).count()) > 0
			)
				break;
		}
		if (pair === 5) break;
		const told = await trial.getByText(/^The pair stands/).innerText();
		const [, left, tries, par] = /stands ([\d.]+) cents .* in (\d+) tr.*par was (\d+)/.exec(told)!;
		expect(Number(left)).toBeLessThanOrEqual(0.5);
		expect(Number(tries)).toBeLessThanOrEqual(Number(par));
	}
	await expect(trial.getByText(/Typically you leave a pair 0\.\d\d cents off/)).toBeVisible();
	await page.getByRole('link', { name: 'All drills' }).click();
	const kept = page.getByRole('region', { name: 'Pair method' });
	await expect(kept.getByText('1 sitting')).toBeVisible();
	await page.reload();
	const { sittings } = await (await page.request.get('/practice/download?format=json')).json();
	const { drill, answers } = sittings.at(-1);
	expect([drill, answers.length]).toEqual(['pair', 5]);
	for (const { set, tries, moves } of answers) {
		expect(Math.abs(set)).toBeLessThan(0.5);
		expect(moves).toHaveLength(tries);
	}
});

test('bearings on a twin: set by ear, scored, and the one wrong step is found', async ({ page }) => {
	test.setTimeout(240_000);
	await overhear(page);
	await signIn(page);
	await addInstrument(page, 'Twin for bearings', { lowest: 'C2', highest: 'C6' });
	const instrument = new URL(page.url()).pathname.split('/')[2];
	const step = page.getByRole('region', { name: 'The step to do now' });
	await page.goto(`/practice/bearings?instrument=${instrument}`);
	await expect(page.getByText('On Twin for bearings.')).toBeVisible();
	await expect(step.getByRole('button', { name: 'Next note' })).toBeEnabled();
	const plan = page.getByRole('region', { name: 'The plan' }).getByRole('listitem');
	const count = await plan.count();
	const WRONG = 5;
	for (let i = 1; i < count; i++) {
		await page.keyboard.press('Enter');
		await expect(step.getByText(`Step ${i + 1} of ${count}`)).toBeVisible();
		const [, low, high, rate, sense] = /(\S+)-(\S+), ([\d.]+|still) ?(wide|narrow)?/.exec(
			await plan.nth(i).innerText()
		)!;
		const [lower, upper] = [parseNote(low)!, parseNote(high)!];
		const [p, q] = ({ 5: [4, 3], 7: [3, 2], 12: [4, 2] } as Record<number, [number, number]>)[upper - lower];
		const beat = async () => {
			await strikeHeard(page, 2);
			const [a, b] = await frequencies(page, [p * equal(lower), q * equal(upper)]);
			return b - a;
		};
		const asked = rate === 'still' ? 0 : (sense === 'narrow' ? -1 : 1) * Number(rate);
		// A note that happens to stand right is set only once it has been turned.
		await page.keyboard.press('ArrowUp');
		await turnUntil(page, beat, asked + (i === WRONG ? 3 : 0), 0.12);
	}
	const wrongNote = (await plan.nth(WRONG).innerText()).split(/\s/)[0];
	await page.keyboard.press('Enter');
	const score = page.getByRole('region', { name: 'Score' });
	await expect(score.getByText(new RegExp(`^Step ${WRONG + 1} went wrong first: ${wrongNote}`))).toBeVisible();
	await expect(score.getByText(/What was set from it carried that on/)).toBeVisible();
	await expect(score.getByText(/An examiner takes off \d+ points/)).toBeVisible();
	await expect(page.getByText(/Typically a note of yours stands \d\.\d+ cents off/)).toBeVisible();
	await page.goto('/practice');
	await expect(page.getByRole('region', { name: 'Bearings' }).getByText('1 sitting')).toBeVisible();
});

test('a teacher sees an apprentice’s practice when the apprentice allows it, and no longer when not', async ({
	page,
	browser
}) => {
	await signIn(page);
	await page.goto('/practice');
	await expect(page.getByLabel('Whose practice')).toHaveCount(0);
	const apprentice = await joined(browser, page, 'Ruan Practising', 'Apprentice');
	const trials = [0.3, -0.4, 0.2, 0.5, -0.1].map((set) => ({
		from: 4,
		asked: 0,
		set,
		tries: 3,
		seconds: 12,
		note: 60
	}));
	const kept = await apprentice.request.put(`/api/practice/sittings/${randomUUID()}`, {
		data: { drill: 'stillness', register: 'middle', beganAt: new Date().toISOString(), trials }
	});
	expect(kept.status()).toBe(200);
	await apprentice.goto('/practice');
	await expect(apprentice.getByText('Nobody but you sees what you have practised.')).toBeVisible();
	await apprentice.getByRole('button', { name: 'Let a teacher see it' }).click();
	await expect(apprentice.getByText('Technicians of the workshop can see it now.')).toBeVisible();
	await page.goto('/practice');
	await page.getByLabel('Whose practice').selectOption({ label: 'Ruan Practising' });
	await expect(page.getByRole('heading', { name: 'What Ruan Practising has practised' })).toBeVisible();
	const stillness = page.getByRole('region', { name: 'Stillness' });
	await expect(stillness.getByText(/Typically you leave two strings 0\.33 cents apart/)).toBeVisible();
	await expect(stillness.getByRole('link')).toHaveCount(0);
	// What somebody else reaches decides nothing, and an apprentice decides nothing for the workshop.
	await expect(stillness.getByText(/Nine of ten of these unisons beat less than 0\.19 a second/)).toBeVisible();
	await expect(stillness.getByRole('button', { name: 'Ask for no less than that' })).toHaveCount(0);
	const asked = await apprentice.request.post('/practice?/unison', {
		form: {},
		headers: { origin: new URL(apprentice.url()).origin }
	});
	expect(asked.status()).toBe(403);
	const address = page.url();
	// An apprentice sees nobody else's, and what is kept private again is gone.
	expect((await apprentice.request.get(address)).status()).toBe(404);
	await apprentice.getByRole('button', { name: 'Keep it to myself' }).click();
	await expect(apprentice.getByText('It is yours alone again.')).toBeVisible();
	expect((await page.request.get(address)).status()).toBe(404);
	await apprentice.context().close();
});

test('the twin plays: as left against as planned, switched while it sounds; keys, and a MIDI file', async ({
	page
}) => {
	await overhear(page);
	await signIn(page);
	await page.goto('/instruments');
	await page
		.getByRole('link', { name: /^Teaching studio grand/ })
		.first()
		.click();
	await page.getByRole('link', { name: 'Hear it' }).click();
	const plays = page.getByRole('region', { name: 'The twin plays' });
	const states = page.getByRole('group', { name: 'Which state is heard' }).getByRole('button');
	await expect(states.nth(1)).toHaveText(/^as left on/);
	await expect(page.getByText('How far apart are the two?')).toBeVisible();
	await plays.getByRole('button', { name: 'Fifth', exact: true }).click();
	await expect(plays).toHaveAttribute('data-sounds', 'fifth');
	expect(await countHeard(page)).toBe(2);
	await page.keyboard.press('PageDown');
	await expect(states.nth(1)).toHaveAttribute('aria-pressed', 'true');
	await expect(plays.getByText(/^You hear it as left on/)).toBeVisible();
	// A key of the computer sounds in both states, of which one is heard.
	await page.keyboard.down('a');
	await expect.poll(() => countHeard(page)).toBe(4);
	await page.keyboard.up('a');
	await page.keyboard.press('ArrowRight');
	await expect(plays.getByText(/The keys begin at C5/)).toBeVisible();
	const midi = new tone.Midi();
	const track = midi.addTrack();
	[60, 64, 67, 200].forEach((note, i) => track.addNote({ midi: Math.min(note, 127), time: i / 4, duration: 0.25 }));
	const give = (name: string, buffer: Buffer) =>
		plays.locator('input[type=file]').setInputFiles({ name, mimeType: 'audio/midi', buffer });
	await give('walk.mid', Buffer.from(midi.toArray()));
	await expect(plays).toHaveAttribute('data-sounds', 'piece');
	await expect(plays.getByText(/Of walk\.mid: 1 note beyond its keyboard is left out/)).toBeVisible();
	await give('broken.mid', Buffer.from('no piece'));
	await expect(plays.getByRole('alert')).toHaveText('broken.mid is no MIDI file, or it is damaged.');
});
