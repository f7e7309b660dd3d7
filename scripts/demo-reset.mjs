// @ts-check
// npm run demo:reset: empties the database; the next npm start loads the demo scenario afresh.
import { answerSignals, stopAll, takeFolder } from './lib/children.mjs';
import { DATA, giveUp, say } from './lib/system.mjs';
import { startDatabase } from './lib/database.mjs';

answerSignals();
if (await takeFolder(DATA)) giveUp('Fendrel is running. Stop it with Ctrl-C, then reset.');
const database = await startDatabase({ dir: DATA });
await database.drop('fendrel');
await stopAll();
say('the database is empty; npm start loads the demo scenario.');
