// @ts-check
// npm run backup [-- FILE]: everything in the database, photos and sounds included, as it stood at one moment, in one file; also while
// Fendrel runs.
import { createHash } from 'node:crypto';
import { createWriteStream, existsSync, renameSync, rmSync, statSync } from 'node:fs';
import { resolve } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import { answerSignals, stopAll } from './lib/children.mjs';
import { dumpOf, withDatabase } from './lib/dump.mjs';
import { checkNode, giveUp, say } from './lib/system.mjs';

checkNode();
answerSignals();
const stamp = new Date().toISOString().slice(0, 16).replace(/[:T]/g, '-');
const file = resolve(process.argv[2] ?? `fendrel-${stamp}.backup`);
if (existsSync(file)) giveUp(`there is a file ${file} already; name another one.`);
// Never half a backup under its own name.
const half = `${file}.half`;
const hash = createHash('sha256');
const hashed = new Transform({
	transform(part, _, done) {
		hash.update(part);
		done(null, part);
	}
});
/** @type {unknown} */
let fault;
try {
	await withDatabase(
		(connection) => pipeline(dumpOf(connection), hashed, createGzip(), createWriteStream(half, { mode: 0o600 })),
		{ whileRunning: true }
	);
	renameSync(half, file);
} catch (error) {
	fault = error;
	rmSync(half, { force: true });
}
await stopAll();
if (fault) giveUp(`no backup was made: ${fault instanceof Error ? fault.message : fault}`);
say(`${file}: ${(statSync(file).size / 1e6).toFixed(1)} MB, content ${hash.digest('hex').slice(0, 16)}`);
say('it holds everything, names and e-mails too: keep it where nobody else reads it.');
process.exit(0);
