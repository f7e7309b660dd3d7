// @ts-check
// npm run restore -- FILE: brings a backup back into an empty database; with --over, in place of what is there.
import { createReadStream, existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { createGunzip } from 'node:zlib';
import { answerSignals, stopAll } from './lib/children.mjs';
import { isEmpty, restoreInto, withDatabase } from './lib/dump.mjs';
import { checkNode, giveUp, say } from './lib/system.mjs';

checkNode();
answerSignals();
const { values, positionals } = parseArgs({ options: { over: { type: 'boolean' } }, allowPositionals: true });
if (positionals.length !== 1) giveUp('name the backup: npm run restore -- FILE');
const file = resolve(positionals[0]);
if (!existsSync(file)) giveUp(`there is no file ${file}.`);
/** @type {unknown} */
let fault;
try {
	await withDatabase(
		async (connection) => {
			if (!values.over && !(await isEmpty(connection)))
				throw new Error('the database holds something already. Back it up, then restore with --over in its place');
			await restoreInto(connection, createReadStream(file), createGunzip());
		},
		{ whileRunning: false }
	);
} catch (error) {
	fault = error;
}
await stopAll();
if (fault) giveUp(`not restored, and nothing is changed: ${fault instanceof Error ? fault.message : fault}`);
say('restored. "npm start" brings it up to date and serves it.');
process.exit(0);
