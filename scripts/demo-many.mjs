// @ts-check
// npm run demo:many [-- 10000]: fills the demo's register with thousands of instruments, to see how it bears them.
import { answerSignals, stopAll, takeFolder } from './lib/children.mjs';
import { startDatabase } from './lib/database.mjs';
import { addMany } from './lib/manyRows.mjs';
import { DATA, giveUp, say } from './lib/system.mjs';

const instruments = Number(process.argv[2] ?? 10_000);
if (!(Number.isInteger(instruments) && instruments > 0 && instruments <= 100_000))
	giveUp(`how many instruments? "${process.argv[2]}" is no number from 1 to 100000.`);
answerSignals();
if (await takeFolder(DATA)) giveUp('Fendrel is running. Stop it with Ctrl-C, then try again.');
const database = await startDatabase({ dir: DATA });
const tell = (/** @type {number} */ done) => done % 1000 === 0 && say(`${done} instruments ...`);
const now = await addMany(await database.open('fendrel'), { instruments, tell: (done) => void tell(done) });
await stopAll();
say(`now ${now.instruments} instruments, ${now.visits} visits, ${now.readings} readings.`);
process.exit(0);
