// @ts-check
// npm run demo:reset: empties the database; the next npm start loads the demo scenario afresh.
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { DATA, giveUp, say } from './lib/system.mjs';
import { startDatabase } from './lib/database.mjs';

const running = join(DATA, 'running.json');
if (existsSync(running)) {
	const { pid } = JSON.parse(readFileSync(running, 'utf8'));
	if (existsSync(`/proc/${pid}`)) giveUp('Fendrel is running. Stop it with Ctrl-C, then reset.');
}
const database = await startDatabase({ dir: DATA });
await database.drop('fendrel');
await database.stop();
say('the database is empty; npm start loads the demo scenario.');
