// @ts-check
// npm run summaries: makes the kept summaries (of sounders and instruments) anew from readings and acts.
import { answerSignals, runCommand, stopAll, takeFolder } from './lib/children.mjs';
import { DATA, giveUp } from './lib/system.mjs';
import { startDatabase } from './lib/database.mjs';
import { BUILD, buildIfNeeded } from './lib/application.mjs';

answerSignals();
if (await takeFolder(DATA)) giveUp('Fendrel is running. Stop it with Ctrl-C, then make the summaries anew.');
await buildIfNeeded();
const database = await startDatabase({ dir: DATA });
const { status } = await runCommand(process.execPath, [`${BUILD}/index.js`], {
	env: { NODE_ENV: 'production', FENDREL_DATABASE_URL: await database.open('fendrel'), FENDREL_REBUILD: '1' }
});
await stopAll();
process.exit(status ?? 1);
