// @ts-check
// npm run bench: figures of the estimator, of memory and of page weight; writes docs/figures.md.
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { answerSignals, stopAll } from './lib/children.mjs';
import { checkNode, DATA, ROOT, say } from './lib/system.mjs';
import { ensureNpmPackages, ensureProgram } from './lib/machine.mjs';
import { startDatabase } from './lib/database.mjs';
import { freePort } from './lib/ports.mjs';
import { buildIfNeeded, serve } from './lib/application.mjs';
import { figuresPage } from './lib/figuresPage.mjs';
import { measurePages } from './lib/pageFigures.mjs';

checkNode();
answerSignals();
await ensureNpmPackages();
await ensureProgram('chromium', 'chromium');

say('listening ...');
/** @param {string} name */
const figuresOf = (name) =>
	JSON.parse(
		execFileSync(process.execPath, ['--expose-gc', '--import', 'tsx', join(ROOT, 'core', 'bench', name)], {
			cwd: ROOT,
			encoding: 'utf8'
		})
	);
const listening = figuresOf('listening.ts');
say('strikes ...');
const strikes = figuresOf('strikes.ts');
say('tempering ...');
const tempering = figuresOf('tempering.ts');
say('curves ...');
const curve = figuresOf('curve.ts');

say('surveys ...');
const survey = figuresOf('survey.ts');
say('raises ...');
const raise = figuresOf('raise.ts');

say('pages ...');
await buildIfNeeded();
const dir = join(DATA, 'bench');
const database = await startDatabase({ dir, fresh: true });
const application = await serve({
	databaseUrl: await database.open('bench'),
	port: await freePort(),
	demo: true,
	quiet: true
});
const measured = await measurePages(application).finally(async () => {
	await stopAll();
});
const text = figuresPage(listening, strikes, tempering, curve, survey, raise, measured);
writeFileSync(join(ROOT, 'docs', 'figures.md'), text);
say('written to docs/figures.md');
console.log(text);
