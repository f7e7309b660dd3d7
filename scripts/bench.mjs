// @ts-check
// npm run bench [-- PART ...]: figures of the estimator, of surveys and raises, of memory and of page weight; writes docs/figures.md.
import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { answerSignals, stopAll } from './lib/children.mjs';
import { checkNode, DATA, ROOT, say } from './lib/system.mjs';
import { ensureNpmPackages, ensureProgram } from './lib/machine.mjs';
import { startDatabase } from './lib/database.mjs';
import { freePort } from './lib/ports.mjs';
import { buildIfNeeded, serve } from './lib/application.mjs';
import { figuresPage, PARTS } from './lib/figuresPage.mjs';
import { leverFigures } from './lib/leverFigures.mjs';
import { measurePages } from './lib/pageFigures.mjs';
import { scaleFigures } from './lib/scaleFigures.mjs';

checkNode();
answerSignals();
await ensureNpmPackages();
await ensureProgram('chromium', 'chromium');

const asked = process.argv.slice(2);
const unknown = asked.find((part) => !(/** @type {readonly string[]} */ (PARTS).includes(part)));
if (unknown) {
	say(`there is no part "${unknown}": ${PARTS.join(', ')}`);
	process.exit(1);
}
/** @param {string} name */
const figuresOf = (name) =>
	JSON.parse(
		execFileSync(process.execPath, ['--expose-gc', '--import', 'tsx', join(ROOT, 'core', 'bench', `${name}.ts`)], {
			cwd: ROOT,
			encoding: 'utf8'
		})
	);

/** @param {(application: import('./lib/application.mjs').Application) => Promise<any>} measure */
async function inApplication(measure) {
	await buildIfNeeded();
	const dir = join(DATA, 'bench');
	const database = await startDatabase({ dir, fresh: true });
	const application = await serve({
		databaseUrl: await database.open('bench'),
		port: await freePort(),
		demo: true,
		quiet: true
	});
	return measure(application).finally(async () => {
		await stopAll();
	});
}

/** Two servers, one with the demo data alone. */
async function atScale() {
	await buildIfNeeded();
	const database = await startDatabase({ dir: join(DATA, 'bench'), fresh: true });
	const served = async (/** @type {string} */ name) => {
		const url = await database.open(name);
		return { url, application: await serve({ databaseUrl: url, port: await freePort(), demo: true, quiet: true }) };
	};
	return scaleFigures(await served('small'), await served('large')).finally(stopAll);
}

/** Recorded sounds are played by a synthesiser of samples; only these parts need it. @param {string} name */
async function played(name) {
	await ensureProgram('fluidsynth', 'fluidsynth', 'fluid-soundfont-gm');
	return figuresOf(name);
}

/** @type {Partial<Record<string, () => Promise<any>>>} */
const MEASURES = {
	reeds: () => played('reeds'),
	frets: () => played('frets'),
	lever: () => inApplication(leverFigures),
	scale: atScale,
	pages: () => inApplication(measurePages)
};

/** @type {import('./lib/figuresPage.mjs').Figures} */
const figures = {};
for (const part of PARTS) {
	if (asked.length && !asked.includes(part)) continue;
	say(`${part} ...`);
	const measure = MEASURES[part];
	figures[part] = measure ? await measure() : figuresOf(part);
}
const path = join(ROOT, 'docs', 'figures.md');
const text = figuresPage(figures, existsSync(path) ? readFileSync(path, 'utf8') : '');
writeFileSync(path, text);
say('written to docs/figures.md');
