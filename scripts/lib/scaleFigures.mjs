// @ts-check
// How the application bears a register of thousands, beside the demo alone: one machine, one run, ratios.
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { addMany } from './manyRows.mjs';
import { signedIn } from './session.mjs';
import { anyReading, FORMAT } from './someReadings.mjs';
import { onDatabase } from './sql.mjs';
import { say } from './system.mjs';

/** Asked for each page, at each of the two registers in turn. */
const ROUNDS = 60;
const INSTRUMENTS = Number(process.env.FENDREL_SCALE_INSTRUMENTS ?? 10_000);
const DEVICES = 20;
const READINGS_A_SECOND = 200;
const SECONDS = Number(process.env.FENDREL_SCALE_SECONDS ?? 60);

/** @typedef {import('./application.mjs').Application} Application */
/** @typedef {{ url: string, application: Application }} Served */

/** What is asked for of a register: each page by its name. @param {string} url @param {string} order of the instruments by their visits */
async function pagesOf(url, order) {
	const [{ instrument, visit }] = await onDatabase(url, (run) =>
		run(
			`SELECT instrument_id AS instrument, MAX(id) AS visit FROM visits WHERE finished_at IS NOT NULL
			GROUP BY instrument_id ORDER BY COUNT(*) ${order}, instrument_id LIMIT 1`
		)
	);
	return /** @type {[string, string][]} */ ([
		['Instruments', '/instruments'],
		['Instruments, found by name', '/instruments?find=grand'],
		['Instruments, nothing found', '/instruments?find=nowhere'],
		['An instrument', `/instruments/${instrument}`],
		['Its scale', `/instruments/${instrument}/scale`],
		['Its readings', `/instruments/${instrument}/readings?visit=${visit}`],
		['Visits', '/visits'],
		['Intervals on it', `/intervals?instrument=${instrument}`],
		['A bearing plan for it', `/temperaments/vallotti/bearing-plan?instrument=${instrument}`],
		['Counted beats', `/intervals/counts?instrument=${instrument}`],
		['Settings', '/settings'],
		['What was changed', '/workshop/changes'],
		['Deleted', '/workshop/deleted'],
		['People', '/workshop/people'],
		['What is stored', '/workshop/data'],
		['A visit’s bundle', `/api/visits/${visit}/bundle`],
		['An instrument’s book', `/api/instruments/${instrument}/book`]
	]);
}

const quantile = (/** @type {number[]} */ of, /** @type {number} */ q) => {
	const sorted = [...of].sort((a, b) => a - b);
	return sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))];
};

/** @param {string} address @param {string} cookie @param {string} path */
async function asked(address, cookie, path) {
	const start = performance.now();
	const answer = await fetch(address + path, { headers: { cookie, accept: 'text/html' }, redirect: 'manual' });
	const text = await answer.text();
	if (!answer.ok) throw new Error(`${path}: ${answer.status} ${text.slice(0, 200)}`);
	return { ms: performance.now() - start, kilobytes: Buffer.byteLength(text) / 1000 };
}

const memoryOf = (/** @type {Application} */ { pid }) =>
	Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid()}/status`, 'utf8'))?.[1]) / 1024;

/**
 * @param {Served} small the demo alone
 * @param {Served} large the same, filled up
 */
export async function scaleFigures(small, large) {
	const begun = performance.now();
	const counts = await addMany(large.url, {
		instruments: INSTRUMENTS,
		tell: (done) => void (done % 2000 === 0 && say(`scale: ${done} instruments ...`))
	});
	say(`scale: filled in ${((performance.now() - begun) / 1000).toFixed(0)} s`);
	const [fromSmall, fromLarge] = [await signedIn(small.application.address), await signedIn(large.application.address)];
	const [ofSmall, ofLarge] = [await pagesOf(small.url, 'DESC'), await pagesOf(large.url, 'DESC')];
	const pages = [];
	for (const [i, [name, path]] of ofSmall.entries()) {
		const few = /** @type {number[]} */ ([]);
		const many = /** @type {number[]} */ ([]);
		let kilobytes = 0;
		for (let round = 0; round < ROUNDS + 3; round++) {
			const one = await asked(small.application.address, fromSmall, path);
			const other = await asked(large.application.address, fromLarge, ofLarge[i][1]);
			// The first are asked cold.
			if (round < 3) continue;
			few.push(one.ms);
			many.push(other.ms);
			kilobytes = Math.max(kilobytes, other.kilobytes);
		}
		pages.push({
			...{ name, kilobytes, small: quantile(few, 0.5), large: quantile(many, 0.5) },
			median: quantile(many, 0.5) / quantile(few, 0.5),
			high: quantile(many, 0.99) / quantile(few, 0.99)
		});
	}
	const memory = [memoryOf(small.application), memoryOf(large.application)];
	const load = await underLoad(large, fromLarge);
	return { counts, pages, memory, load, rounds: ROUNDS };
}

/** Twenty devices that hand over readings while the register is in use. @param {Served} large @param {string} cookie */
export function underLoad({ url, application: { address } }, cookie) {
	return onDatabase(url, (run) => handedOver(run, address, cookie));
}

/** @param {(sql: string) => Promise<any[]>} run @param {string} address @param {string} cookie */
async function handedOver(run, address, cookie) {
	const rows = await run(
		`SELECT i.id AS instrument, t.id AS temperament FROM instruments i JOIN temperaments t ON t.slug = 'equal'
		WHERE i.id NOT IN (SELECT instrument_id FROM visits WHERE is_open = 1) AND i.deleted_at IS NULL ORDER BY i.id LIMIT ${DEVICES}`
	);
	const stored = async () => Number((await run('SELECT COUNT(*) AS total FROM readings'))[0].total);
	const before = await stored();
	const register = async (/** @type {number} */ until) => {
		/** @type {number[]} */
		const times = [];
		while (performance.now() < until) {
			times.push((await asked(address, cookie, '/instruments')).ms);
			await new Promise((resolve) => setTimeout(resolve, 100));
		}
		return times;
	};
	const idle = await register(performance.now() + 15_000);
	const end = performance.now() + SECONDS * 1000;
	let sent = 0;
	/** @type {number[]} */
	const handed = [];
	const device = async (
		/** @type {{ instrument: string, temperament: string }} */ { instrument, temperament },
		/** @type {number} */ i
	) => {
		const [visitId, id] = [randomUUID(), randomUUID()];
		let counter = 1;
		/** @param {object[]} items */
		const post = async (items) => {
			const start = performance.now();
			const answer = await fetch(`${address}/api/record`, {
				method: 'POST',
				headers: { cookie, 'content-type': 'application/json', origin: address },
				body: JSON.stringify({ now: new Date(), items })
			});
			const { answers } = /** @type {any} */ (await answer.json());
			if (!answers?.every((/** @type {any} */ each) => each.answer === 'stored'))
				throw new Error(`not stored: ${JSON.stringify(answers).slice(0, 300)}`);
			handed.push(performance.now() - start);
		};
		const common = { format: FORMAT, visitId, device: id };
		const plan = {
			...{ id: randomUUID(), a4: 440, temperamentId: temperament, tolerance: 1, curveId: null, lead: null },
			...{ raise: null, touch: null, order: null }
		};
		const begin = { id: randomUUID(), counter, startedAt: new Date(), instrumentId: instrument, plan };
		await post([{ ...common, kind: 'begin', begin }]);
		// Devices do not all send at the same moment.
		await new Promise((resolve) => setTimeout(resolve, (1000 * i) / DEVICES));
		for (let second = 0; performance.now() < end; second++) {
			const due = performance.now() + 1000;
			const batch = Array.from({ length: READINGS_A_SECOND / DEVICES }, (_, k) => ({
				...common,
				kind: 'reading',
				reading: anyReading(21 + ((second * 10 + k) % 88), ++counter)
			}));
			await post(batch);
			sent += batch.length;
			await new Promise((resolve) => setTimeout(resolve, Math.max(0, due - performance.now())));
		}
	};
	const [times] = await Promise.all([register(end), ...rows.map(device)]);
	const kept = (await stored()) - before;
	return {
		...{ sent, kept, seconds: SECONDS, devices: DEVICES },
		...{ idle: quantile(idle, 0.99), busy: quantile(times, 0.99), ratio: quantile(times, 0.99) / quantile(idle, 0.99) },
		handed: quantile(handed, 0.99)
	};
}
