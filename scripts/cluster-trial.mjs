// @ts-check
// npm run cluster-trial: three databases in a cluster, two servers, two devices in one visit; a database or a server is killed at random,
// twenty times. Says what was lost, what was doubled, and how long anybody waited.
import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import { answerSignals, stopAll } from './lib/children.mjs';
import { joined, startCluster } from './lib/cluster.mjs';
import { ensureNpmPackages } from './lib/machine.mjs';
import { freePort } from './lib/ports.mjs';
import { buildIfNeeded, serve } from './lib/application.mjs';
import { signedIn } from './lib/session.mjs';
import { anyReading, FORMAT } from './lib/someReadings.mjs';
import { giveUp, say } from './lib/system.mjs';

const KILLS = Number(process.env.FENDREL_TRIAL_KILLS ?? 20);
const SEED = Number(process.env.FENDREL_TRIAL_SEED ?? 1);
const BATCH = 5;
const EVERY_MS = 250;
/** What is killed comes back after so long. */
const DOWN_MS = 3000;

answerSignals();
await ensureNpmPackages();
await buildIfNeeded();
say('starting three databases ...');
const { nodes, remove } = await startCluster(3, 'fendrel');
say('starting two servers ...');
const addresses = nodes.map((node) => node.address('fendrel'));
const server = async (/** @type {string[]} */ order, demo = false) =>
	serve({ databaseUrl: order.join(','), port: await freePort(), demo, quiet: true });
// Each prefers another database.
const servers = [await server(addresses, true), await server([addresses[1], addresses[2], addresses[0]])];

/** Numbers from a seed, for the kills alone: the same again. */
let state = SEED >>> 0;
const random = () => {
	state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
	return state / 2 ** 32;
};

const cookie = await signedIn(servers[0].address);
const [row] = (
	await nodes[0].ask(
		`SELECT i.id, t.id FROM fendrel.instruments i JOIN fendrel.temperaments t ON t.slug = 'equal'
		WHERE i.id NOT IN (SELECT instrument_id FROM fendrel.visits WHERE is_open = 1) LIMIT 1`
	)
).split('\n');
const [instrumentId, temperamentId] = row.split('\t');
const visitId = randomUUID();
let isOver = false;
/** @type {Set<string>} */
const acknowledged = new Set();
/** @type {number[]} */
const waits = [];
let refused = 0;

/** A device hands over again and again until it is told that all is stored; the way to it leads to whichever server answers. */
async function device(/** @type {number} */ number) {
	const id = randomUUID();
	let counter = 0;
	let at = number % servers.length;
	const common = { format: FORMAT, visitId, device: id };
	/** @param {object[]} items @param {string[]} ids */
	const handOver = async (items, ids) => {
		const start = performance.now();
		for (;;) {
			try {
				const answer = await fetch(`${servers[at].address}/api/record`, {
					method: 'POST',
					headers: { cookie, 'content-type': 'application/json', origin: servers[at].address },
					body: JSON.stringify({ now: new Date(), items }),
					signal: AbortSignal.timeout(8000)
				});
				if (answer.ok) {
					const { answers } = /** @type {any} */ (await answer.json());
					for (const each of answers) if (each.answer === 'refused') refused++;
					break;
				}
				if (answer.status < 500) throw new Error(`device ${number}: ${answer.status} ${await answer.text()}`);
			} catch (fault) {
				if (fault instanceof Error && fault.message.startsWith('device')) throw fault;
			}
			at = (at + 1) % servers.length;
			await pause(100);
		}
		ids.forEach((each) => acknowledged.add(each));
		waits.push(performance.now() - start);
	};
	const plan = {
		...{ id: randomUUID(), a4: 440, temperamentId, tolerance: 1, curveId: null, lead: null },
		...{ raise: null, touch: null, order: null }
	};
	const begin = { id: randomUUID(), counter: ++counter, startedAt: new Date(), instrumentId, plan };
	await handOver([{ ...common, kind: 'begin', begin }], []);
	while (!isOver) {
		const made = Array.from({ length: BATCH }, () => anyReading(21 + (counter % 88), ++counter));
		await handOver(
			made.map((reading) => ({ ...common, kind: 'reading', reading })),
			made.map(({ id: each }) => each)
		);
		await pause(EVERY_MS);
	}
}

const devices = [device(0), device(1)];
// A fault of a device ends the trial at its end, not in the middle.
devices.forEach((each) => each.catch(() => {}));
await pause(2000);
for (let kill = 1; kill <= KILLS; kill++) {
	const which = Math.floor(5 * random());
	const before = acknowledged.size;
	if (which < 3) {
		const node = nodes[which];
		await node.kill();
		await pause(DOWN_MS * (0.5 + random()));
		node.start();
		await joined(node);
	} else {
		await servers[which - 3].kill();
		await pause(DOWN_MS * (0.5 + random()));
		await servers[which - 3].revive();
	}
	await pause(1500);
	say(
		`kill ${kill}: ${which < 3 ? `database ${which + 1}` : `server ${which - 2}`}; ${acknowledged.size - before} readings stored meanwhile`
	);
}
isOver = true;
const faults = (await Promise.allSettled(devices)).flatMap((each) => (each.status === 'rejected' ? [each.reason] : []));

/** @type {string[][]} */
const stored = [];
for (const node of nodes)
	stored.push(
		(
			await node.ask(`SELECT id FROM fendrel.readings WHERE visit_id IN
		(SELECT COALESCE((SELECT visit_id FROM fendrel.visit_aliases WHERE id = '${visitId}'), '${visitId}'))`)
		)
			.split('\n')
			.filter(Boolean)
	);
await stopAll();
remove();
const lost = stored.map((ids) => [...acknowledged].filter((id) => !ids.includes(id)).length);
const doubled = stored.map((ids) => ids.length - new Set(ids).size);
waits.sort((a, b) => a - b);
const longest = (waits.at(-1) ?? 0) / 1000;
const slow = waits.filter((each) => each > 1000).length;
say(
	`${acknowledged.size} readings acknowledged, ${stored.map((ids) => ids.length).join(' / ')} stored in the three databases; lost ${lost.join(' / ')}, doubled ${doubled.join(' / ')}, refused ${refused}.`
);
say(
	`A batch took ${waits[Math.floor(waits.length / 2)].toFixed(0)} ms at the median, ${longest.toFixed(1)} s at the longest; ${slow} of ${waits.length} took more than a second.`
);
for (const fault of faults) console.error(fault);
const isWhole =
	[...lost, ...doubled].every((each) => each === 0) && new Set(stored.map((ids) => ids.length)).size === 1;
if (!isWhole || refused || faults.length || !acknowledged.size) giveUp('the cluster did not hold.');
process.exit(0);
