// @ts-check
// What an automatic lever reaches that reads nothing but the pages of the running application.
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { runCommand } from './children.mjs';
import { giveUp } from './system.mjs';

/** @param {import('./application.mjs').Application} application with its demo data */
export async function leverFigures({ address }) {
	const file = join(mkdtempSync(join(tmpdir(), 'fendrel-lever-')), 'figures.json');
	const env = {
		FENDREL_E2E_URL: address,
		FENDREL_LEVER_NOTES: '30',
		FENDREL_LEVER_PAIRS: '8',
		FENDREL_LEVER_FIGURES: file
	};
	const journey = ['playwright', 'test', '--project=journeys', 'automatic-lever'];
	const { status } = await runCommand('npx', journey, { env });
	if (status !== 0) giveUp('the automatic lever did not reach what it should; what went wrong stands above.');
	return JSON.parse(readFileSync(file, 'utf8'));
}
