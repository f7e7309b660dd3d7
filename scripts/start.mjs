// @ts-check
// npm start: install what is missing, database, migrations, demo data, application.
//   npm start -- --no-demo   begin with an empty register instead of the demo scenario
//   npm start -- --port 4000
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { announce, answerSignals, endChild, startChild, stopAll, takeFolder } from './lib/children.mjs';
import { checkNode, DATA, giveUp, ROOT, say } from './lib/system.mjs';
import { ensureNpmPackages } from './lib/machine.mjs';
import { startDatabase } from './lib/database.mjs';
import { freePort, isFree } from './lib/ports.mjs';
import { buildIfNeeded, portBefore, rememberPort, serve } from './lib/application.mjs';

const USUAL_PORT = 4173;
const DEMO_SIGN_IN = { email: 'demo@saltmarsh.example', password: 'saltmarsh' };

const { values } = parseArgs({
	options: { port: { type: 'string' }, 'no-demo': { type: 'boolean' }, dev: { type: 'boolean' } }
});
const asked = values.port === undefined ? undefined : Number(values.port);
if (asked !== undefined && !(Number.isInteger(asked) && asked > 0 && asked < 65536))
	giveUp(`"${values.port}" is not a port; give a number from 1 to 65535.`);

checkNode();
answerSignals();
const other = await takeFolder(DATA);
if (other) {
	say(other.address ? `already running at ${other.address}` : `being started already (process ${other.pid}).`);
	process.exit(0);
}
if (asked !== undefined && !(await isFree(asked)))
	giveUp(`port ${asked} is held by another program; choose another one, or leave --port out.`);
// A browser keeps what waits under the address where it was made: the same one again, if that can be.
const before = portBefore(DATA);
const wanted = asked ?? before ?? USUAL_PORT;
const port = (await isFree(wanted)) ? wanted : await freePort();
const former = before !== undefined && before !== port ? `http://localhost:${before}` : undefined;
await ensureNpmPackages();
const database = await startDatabase({ dir: DATA });
const databaseUrl = await database.open('fendrel');
const demo = !values['no-demo'];
if (values.dev) develop();
else await start();

async function start() {
	await buildIfNeeded();
	const { address } = await serve({ databaseUrl, port, demo, env: former ? { FENDREL_FORMER_ADDRESS: former } : {} });
	announce(address);
	if (asked !== undefined || before === undefined) rememberPort(DATA, port);
	say(`ready at ${address}`);
	if (former) say(`before it was ${former}: what waits in a browser there is sent when Fendrel answers there again.`);
	if (demo)
		say(
			`demo sign-in (offered on the page while demo data is loaded): ${DEMO_SIGN_IN.email} / ${DEMO_SIGN_IN.password}`
		);
	say('Ctrl-C stops everything.');
}

function develop() {
	const vite = startChild('vite', 'npx', ['vite', 'dev', '--port', String(port)], {
		cwd: join(ROOT, 'web'),
		stdio: 'inherit',
		env: { ...process.env, FENDREL_DATABASE_URL: databaseUrl, FENDREL_DEMO: demo ? '1' : '0' }
	});
	vite.once('exit', () => void stopAll().then(() => process.exit(0)));
	process.once('exit', () => void endChild(vite));
}
