// @ts-check
// A register of thousands, made from the demo data: each instrument is a copy of one of the demo's, with two of its visits and all
// that was read and done in them, at other times. The same seed and demo give the same rows.
import { onDatabase } from './sql.mjs';

/** Instruments to a place. */
const AT_A_PLACE = 25;
/** Copies to a statement: nothing is locked for long, and no log grows without end. */
const AT_ONCE = 200;
/** Notes of each visit that are copied, so that a visit has about fifty readings. */
const NOTES = { from: 45, to: 72 };

/**
 * A number like the application's own, rising with `n`.
 * @param {string} seed
 * @param {string} of SQL for what it is made from
 */
const numberOf = (seed, of) => {
	const hash = `MD5(CONCAT('${seed}', ${of}, n.seq))`;
	return `LOWER(CONCAT(LPAD(HEX(25165824 + n.seq), 8, '0'), '-', SUBSTR(${hash}, 1, 4), '-7', SUBSTR(${hash}, 5, 3), '-8',
		SUBSTR(${hash}, 8, 3), '-', SUBSTR(${hash}, 11, 12)))`;
};

/**
 * Adds a register of so many instruments to the demo's workshop; the first of them has a hundred visits.
 * @param {string} url of a database with the demo data
 * @param {{ instruments: number, seed?: string, tell?: (done: number) => void }} options
 * @returns {Promise<{ instruments: number, visits: number, readings: number }>} how many there are now
 */
export function addMany(url, { instruments, seed = 'saltmarsh', tell = () => {} }) {
	if (!/^[a-z0-9]{1,20}$/.test(seed)) throw new Error(`seed: letters and digits, not "${seed}"`);
	return onDatabase(url, (run) => fill(run, { instruments, seed, tell }));
}

/**
 * @param {(sql: string) => Promise<any[]>} run
 * @param {{ instruments: number, seed: string, tell: (done: number) => void }} options
 */
async function fill(run, { instruments, seed, tell }) {
	const [{ workshop }] = await run('SELECT id AS workshop FROM workshops WHERE demo = 1');
	await run(
		`CREATE OR REPLACE TEMPORARY TABLE chosen_instruments AS
		SELECT id, ROW_NUMBER() OVER (ORDER BY id) - 1 AS place FROM instruments
		WHERE workshop_id = '${workshop}' AND deleted_at IS NULL AND id IN (SELECT instrument_id FROM visits WHERE finished_at IS NOT NULL)`
	);
	const [{ count }] = await run('SELECT COUNT(*) AS count FROM chosen_instruments');
	// The two newest of each; a hundred for the first, from them again and again.
	await run(
		`CREATE OR REPLACE TEMPORARY TABLE chosen_visits AS
		SELECT id, instrument_id, ROW_NUMBER() OVER (PARTITION BY instrument_id ORDER BY started_at DESC) AS place FROM visits
		WHERE finished_at IS NOT NULL AND deleted_at IS NULL AND instrument_id IN (SELECT id FROM chosen_instruments)`
	);
	const columns = await columnsOf(run);
	/**
	 * Copies a table's rows with some columns made otherwise.
	 * @param {string} table @param {Record<string, string>} made SQL by column @param {string} from
	 */
	const copy = (table, made, from) =>
		run(
			`INSERT INTO ${table} (${columns(table).join(', ')})
			SELECT ${columns(table)
				.map((column) => made[column] ?? `t.${column}`)
				.join(', ')} FROM ${from}`
		);
	const instrument = numberOf(seed, 'i.id');
	const visit = `IF(v.place <= 2, ${numberOf(seed, 'v.id')}, ${numberOf(seed, "CONCAT(v.id, '+')")})`;
	const curve = (/** @type {string} */ column) => `IF(${column} IS NULL, NULL, ${numberOf(seed, column)})`;
	// Spread over two years, none in the future.
	const earlier = (/** @type {string} */ column) => `${column} - INTERVAL (n.seq * 37 % 17000) HOUR`;
	const isCopied = (/** @type {string} */ sounder) =>
		`CAST(SUBSTRING_INDEX(${sounder}, '/', 1) AS INT) BETWEEN ${NOTES.from} AND ${NOTES.to}`;
	const place = `LOWER(CONCAT('01700000-0000-7000-8000-', LPAD(HEX(FLOOR((n.seq - 1) / ${AT_A_PLACE})), 12, '0')))`;
	const placeName = `CONCAT('Wing ', 1 + FLOOR((n.seq - 1) / ${AT_A_PLACE}))`;
	const copyName = "CONCAT('Room ', n.seq, ' ', t.kind)";

	for (let first = 1; first <= instruments; first += AT_ONCE) {
		const n = `seq_${first}_to_${Math.min(first + AT_ONCE - 1, instruments)} n JOIN chosen_instruments i ON i.place = n.seq % ${count}`;
		const v = `${n} JOIN chosen_visits v ON v.instrument_id = i.id AND v.place <= 2`;
		await run('START TRANSACTION');
		await run(
			`INSERT IGNORE INTO places (id, workshop_id, name, town)
			SELECT ${place}, '${workshop}', ${placeName}, 'Saltmarsh' FROM seq_${first}_to_${Math.min(first + AT_ONCE - 1, instruments)} n`
		);
		await copy(
			'instruments',
			{
				id: instrument,
				place_id: place,
				name: copyName,
				shelf: `CONCAT('wing ', LPAD(1 + FLOOR((n.seq - 1) / ${AT_A_PLACE}), 8, '0'), CHAR(1), 'saltmarsh', CHAR(1), 'room ', LPAD(n.seq, 8, '0'), CHAR(1), ${instrument})`,
				sought: `LOWER(CONCAT('room ', n.seq, ' ', t.kind, ' ', t.maker, ' wing ', 1 + FLOOR((n.seq - 1) / ${AT_A_PLACE}), ' saltmarsh'))`
			},
			`${n} JOIN instruments t ON t.id = i.id`
		);
		await copy(
			'tuning_curves',
			{ id: curve('t.id'), instrument_id: instrument, visit_id: 'NULL' },
			`${n} JOIN tuning_curves t ON t.instrument_id = i.id`
		);
		await copy(
			'visits',
			{
				...{ id: visit, instrument_id: instrument, curve_id: curve('t.curve_id') },
				...{ started_at: earlier('t.started_at'), finished_at: earlier('t.finished_at') }
			},
			`${v} JOIN visits t ON t.id = v.id`
		);
		await copyRecord(v);
		const read = { instrument_id: instrument, visit_id: numberOf(seed, 't.visit_id') };
		await copy(
			'instrument_sounders',
			{ ...read, read_at: earlier('t.read_at') },
			`${n} JOIN instrument_sounders t ON t.instrument_id = i.id
			JOIN chosen_visits v ON v.id = t.visit_id AND v.place <= 2 WHERE ${isCopied('t.sounder')}`
		);
		await copy(
			'instrument_summaries',
			{ ...read, finished_at: earlier('t.finished_at') },
			`${n} JOIN instrument_summaries t ON t.instrument_id = i.id JOIN chosen_visits v ON v.id = t.visit_id AND v.place <= 2`
		);
		await run('COMMIT');
		tell(Math.min(first + AT_ONCE - 1, instruments));
	}
	await addLongHistory();
	await run('ANALYZE TABLE instruments, visits, readings, acts, visit_sounders, instrument_sounders, places');
	const [counts] = await run(
		`SELECT (SELECT COUNT(*) FROM instruments) AS instruments, (SELECT COUNT(*) FROM visits) AS visits,
			(SELECT COUNT(*) FROM readings) AS readings`
	);
	const { instruments: all, visits, readings } = counts;
	return { instruments: Number(all), visits: Number(visits), readings: Number(readings) };

	/** @type {any} */ /** What was read and done in copied visits. @param {string} from @param {string} [curveId] SQL for the plans' curve */
	async function copyRecord(from, curveId = curve('t.curve_id')) {
		const at = { placed_at: earlier('t.placed_at') };
		await copy(
			'plan_versions',
			{ id: numberOf(seed, 't.id'), visit_id: visit, curve_id: curveId, made_at: earlier('t.made_at') },
			`${from} JOIN plan_versions t ON t.visit_id = v.id`
		);
		await copy(
			'readings',
			{ visit_id: visit, taken_at: earlier('t.taken_at'), ...at },
			`${from} JOIN readings t ON t.visit_id = v.id WHERE ${isCopied('t.sounders')}`
		);
		await copy(
			'reading_partials',
			{ visit_id: visit },
			`${from} JOIN readings r ON r.visit_id = v.id JOIN reading_partials t ON t.visit_id = v.id AND t.reading_id = r.id WHERE ${isCopied('r.sounders')}`
		);
		await copy(
			'acts',
			{ visit_id: visit, done_at: earlier('t.done_at'), ...at },
			`${from} JOIN acts t ON t.visit_id = v.id WHERE t.sounders IS NULL OR ${isCopied('t.sounders')}`
		);
		await copy(
			'visit_sounders',
			{ visit_id: visit },
			`${from} JOIN visit_sounders t ON t.visit_id = v.id WHERE ${isCopied('t.sounder')}`
		);
	}

	/** The first instrument is visited a hundred times: the visits of all others of its kind, as its own. */
	async function addLongHistory() {
		const from = `seq_1000001_to_1000098 n JOIN chosen_instruments i ON i.place = 1 % ${count}
			JOIN chosen_visits v ON v.instrument_id = i.id AND v.place = 1`;
		const own = numberOf(seed, 'i.id').replaceAll('n.seq', '1');
		const ofFirst = curve('t.curve_id').replaceAll('n.seq', '1');
		await run('START TRANSACTION');
		await copy(
			'visits',
			{
				...{ id: visit, instrument_id: own, curve_id: ofFirst },
				started_at: 't.started_at - INTERVAL (n.seq - 1000000) * 40 DAY',
				finished_at: 't.finished_at - INTERVAL (n.seq - 1000000) * 40 DAY'
			},
			`${from} JOIN visits t ON t.id = v.id`
		);
		await copyRecord(from, ofFirst);
		await run('COMMIT');
	}
}

/** What each table stores itself. @param {(sql: string) => Promise<any[]>} run */
async function columnsOf(run) {
	const rows = await run(
		`SELECT table_name AS t, column_name AS c FROM information_schema.columns
		WHERE table_schema = DATABASE() AND is_generated = 'NEVER' ORDER BY ordinal_position`
	);
	/** @type {Map<string, string[]>} */
	const columns = new Map();
	for (const { t, c } of rows) columns.set(t, [...(columns.get(t) ?? []), c === 'order' ? '`order`' : c]);
	return (/** @type {string} */ table) => columns.get(table) ?? [];
}
