import { DataTypes, type QueryInterface, type Transaction } from 'sequelize';
import { NIL, v5 } from 'uuid';
import { addIndex, hasColumn, inBatches, keyColumns, rows, run, run as runIn } from './statements';

const uuid = (allowNull = false) => ({ type: DataTypes.UUID, allowNull });
const reference = (model: string, onDelete: string, allowNull = false) => ({
	...uuid(allowNull),
	references: { model, key: 'id' },
	onDelete,
	onUpdate: 'CASCADE'
});
const required = <T>(type: T) => ({ type, allowNull: false });
const optional = <T>(type: T) => ({ type, allowNull: true });
const TIME = DataTypes.DATE(3);
const JSON_TEXT = required(DataTypes.TEXT('long'));
const SOUNDER = { type: DataTypes.STRING(40), allowNull: false };

/**
 * Readings and acts. What was a mark on a reading (accepted, found) becomes an act of its own; a measurement that was
 * stored twice, once as read and once as kept, becomes one reading and one act, under the ids that both had.
 */
export async function up(db: QueryInterface): Promise<void> {
	await makeTables(db);
	await run(
		db,
		`ALTER TABLE readings
			ADD COLUMN IF NOT EXISTS sounders VARCHAR(200) NOT NULL DEFAULT '',
			ADD COLUMN IF NOT EXISTS device CHAR(36) NOT NULL DEFAULT '${NIL}',
			ADD COLUMN IF NOT EXISTS counter INT NOT NULL DEFAULT 0,
			ADD COLUMN IF NOT EXISTS placed_at DATETIME(3) NULL,
			ADD COLUMN IF NOT EXISTS seq INT NOT NULL DEFAULT 0,
			ADD COLUMN IF NOT EXISTS hash CHAR(64) NULL,
			MODIFY partials LONGTEXT NULL`
	);
	await run(db, 'ALTER TABLE visits ADD COLUMN IF NOT EXISTS seq INT NOT NULL DEFAULT 0');
	if (await hasColumn(db, 'readings', 'string'))
		await inBatches<FormerVisit>(
			db,
			`SELECT v.id, v.workshop_id AS workshopId, v.temperament_id AS temperamentId, v.a4, v.tolerance, v.stretch,
				v.current_note AS currentNote, v.note, v.moved, v.started_at AS startedAt, v.finished_at AS finishedAt,
				i.twin FROM visits v JOIN instruments i ON i.id = v.instrument_id
			LEFT JOIN simulated_pins done ON done.visit_id = v.id
			WHERE v.id > :after AND done.visit_id IS NULL ORDER BY v.id LIMIT :most`,
			async (visits) => {
				for (const visit of visits) await db.sequelize.transaction((whole) => carryOver(db, visit, whole));
			}
		);
	// Ids are unique within a visit: those of another workshop cannot clash with them.
	if ((await keyColumns(db, 'readings')) === 1)
		await run(db, 'ALTER TABLE readings DROP PRIMARY KEY, ADD PRIMARY KEY (visit_id, id)');
	await addIndex(db, 'readings', ['visit_id', 'placed_at']);
	// One sounder over all visits of an instrument.
	await addIndex(db, 'readings', ['visit_id', 'sounders']);
}

async function makeTables(db: QueryInterface): Promise<void> {
	await db.createTable('acts', {
		visit_id: { ...reference('visits', 'CASCADE'), primaryKey: true },
		id: { ...uuid(), primaryKey: true },
		workshop_id: reference('workshops', 'CASCADE'),
		kind: required(DataTypes.STRING(12)),
		device: uuid(),
		counter: required(DataTypes.INTEGER),
		done_at: required(TIME),
		placed_at: required(TIME),
		seq: required(DataTypes.INTEGER),
		sounders: optional(DataTypes.STRING(200)),
		reading_id: uuid(true),
		act: JSON_TEXT,
		hash: optional(DataTypes.CHAR(64))
	});
	await addIndex(db, 'acts', ['visit_id', 'placed_at']);
	await addIndex(db, 'acts', ['visit_id', 'reading_id']);
	await db.createTable('plan_versions', {
		id: { ...uuid(), primaryKey: true },
		workshop_id: reference('workshops', 'CASCADE'),
		visit_id: reference('visits', 'CASCADE'),
		made_at: required(TIME),
		a4: required(DataTypes.DOUBLE),
		temperament_id: reference('temperaments', 'RESTRICT'),
		tolerance: required(DataTypes.DOUBLE),
		curve_id: reference('tuning_curves', 'SET NULL', true),
		lead: optional(DataTypes.STRING(20))
	});
	await addIndex(db, 'plan_versions', ['visit_id', 'made_at']);
	await db.createTable('reading_partials', {
		visit_id: { ...reference('visits', 'CASCADE'), primaryKey: true },
		reading_id: { ...uuid(), primaryKey: true },
		partials: JSON_TEXT
	});
	await db.createTable('simulated_pins', {
		visit_id: { ...reference('visits', 'CASCADE'), primaryKey: true },
		moved: JSON_TEXT
	});
	await makeSummaries(db);
}

/** What visits and instruments have come to, kept so that pages need not add it up. */
async function makeSummaries(db: QueryInterface): Promise<void> {
	await db.createTable('visit_sounders', {
		visit_id: { ...reference('visits', 'CASCADE'), primaryKey: true },
		sounder: { ...SOUNDER, primaryKey: true },
		workshop_id: reference('workshops', 'CASCADE'),
		group_number: required(DataTypes.INTEGER),
		found: optional(DataTypes.TEXT),
		left_as: optional(DataTypes.TEXT)
	});
	await db.createTable('instrument_sounders', {
		instrument_id: { ...reference('instruments', 'CASCADE'), primaryKey: true },
		sounder: { ...SOUNDER, primaryKey: true },
		workshop_id: reference('workshops', 'CASCADE'),
		visit_id: reference('visits', 'CASCADE'),
		reading_id: uuid(),
		read_at: required(TIME),
		pitch: required(DataTypes.DOUBLE),
		pitch_error: optional(DataTypes.DOUBLE),
		inharmonicity: required(DataTypes.DOUBLE),
		inharmonicity_error: optional(DataTypes.DOUBLE)
	});
	await db.createTable('instrument_summaries', {
		instrument_id: { ...reference('instruments', 'CASCADE'), primaryKey: true },
		workshop_id: reference('workshops', 'CASCADE'),
		visit_id: reference('visits', 'CASCADE'),
		finished_at: required(TIME),
		a4_left: optional(DataTypes.DOUBLE)
	});
	await addIndex(db, 'instrument_summaries', ['workshop_id']);
}

interface FormerVisit {
	readonly id: string;
	readonly workshopId: string;
	readonly temperamentId: string;
	readonly a4: number;
	readonly tolerance: number;
	readonly stretch: string;
	readonly currentNote: number | null;
	readonly note: string;
	readonly moved: string;
	readonly startedAt: Date;
	readonly finishedAt: Date | null;
	readonly twin: string;
}
interface FormerReading {
	readonly id: string;
	readonly note: number;
	readonly string: string;
	readonly takenAt: Date;
	readonly accepted: number;
	readonly found: number;
	readonly pitch: number | null;
	readonly fundamental: number | null;
	readonly moment: number | null;
	readonly target: number;
}

/** How many strings a note had, as was assumed then. */
function stringsThen(twin: { kind: string; lowest: number; breakNote: number }, note: number): number {
	if (twin.kind === 'harpsichord') return 1;
	if (twin.kind === 'fortepiano') return 2;
	if (note >= twin.breakNote) return 3;
	return note < twin.lowest + 10 ? 1 : 2;
}

/** "middle" on a note of two strings was the one that leads. */
function soundersThen(strings: number, { note, string }: Pick<FormerReading, 'note' | 'string'>): string[] {
	const members = strings === 1 ? ['only'] : strings === 2 ? ['left', 'right'] : ['middle', 'left', 'right'];
	const sounding = string === 'open' ? members : members.includes(string) ? [string] : [members[0]];
	return sounding.map((member) => `${note}/${member}`);
}

const isCurve = (stretch: string) => /^[0-9a-f-]{36}$/.test(stretch);

interface ActBody {
	readonly sounders?: string[];
	readonly reading?: string | null;
	readonly [more: string]: unknown;
}

/** What a visit's rows said, as acts; the readings that remain; and those that were the same one twice, or by ear. */
interface Told {
	readonly acts: object[];
	readonly kept: object[];
	readonly gone: string[];
}

/** The curve that a visit rested on, or what led one drawn afresh. */
const curveOf = ({ stretch }: FormerVisit) => ({
	lead: isCurve(stretch) || stretch === 'none' ? null : stretch,
	curveId: isCurve(stretch) ? stretch : null
});

function toldBy(visit: FormerVisit, readings: readonly FormerReading[]): Told {
	const twin = JSON.parse(visit.twin);
	const acts: object[] = [];
	let counter = 0;
	const act = (id: string, kind: string, at: Date, body: ActBody) =>
		acts.push({
			id,
			kind,
			sounders: body.sounders?.join() ?? null,
			reading: body.reading ?? null,
			counter: ++counter,
			at: at.toISOString().replace('T', ' ').replace('Z', ''),
			act: JSON.stringify(body)
		});
	const { id, a4, temperamentId, tolerance } = visit;
	act(id, 'plan', visit.startedAt, { plan: { id, a4, temperamentId, tolerance, ...curveOf(visit) } });
	const kept: object[] = [];
	const gone: string[] = [];
	const asRead = new Map<string, string>();
	for (const reading of readings) {
		const sounders = soundersThen(stringsThen(twin, reading.note), reading);
		const measured = [sounders.join(), reading.pitch, reading.fundamental, reading.moment].join(' ');
		const twice = reading.accepted && reading.pitch !== null ? asRead.get(measured) : undefined;
		const byEar = Boolean(reading.accepted) && reading.pitch === null;
		if (twice || byEar) gone.push(reading.id);
		else {
			kept.push({ id: reading.id, sounders: sounders.join(), counter: ++counter });
			asRead.set(measured, reading.id);
		}
		if (!reading.accepted && !reading.found) continue;
		// What was read and taken in one row had one number for both: the act's follows from it.
		act(twice || byEar ? reading.id : v5('accept', reading.id), 'accept', reading.takenAt, {
			sounders,
			purpose: reading.accepted ? 'set' : 'found',
			pass: 1,
			reading: byEar ? null : (twice ?? reading.id),
			setTo: reading.target,
			final: reading.target,
			plan: id
		});
	}
	const last = visit.finishedAt ?? readings.at(-1)?.takenAt ?? visit.startedAt;
	if (visit.currentNote !== null) act(v5('place', id), 'place', last, { group: visit.currentNote });
	if (visit.note !== '') act(v5('note', id), 'note', last, { text: visit.note });
	if (visit.finishedAt) act(v5('finish', id), 'finish', visit.finishedAt, {});
	return { acts, kept, gone };
}

/** A visit with its readings, all of it or nothing; its pins come last and say that it is done. */
async function carryOver(db: QueryInterface, visit: FormerVisit, whole: Transaction): Promise<void> {
	const run = (sql: string, values: Record<string, unknown>) => runIn(db, sql, values, whole);
	const { id } = visit;
	const readings = await rows<FormerReading>(
		db,
		`SELECT id, note, string, taken_at AS takenAt, accepted, found, pitch, fundamental, moment, target FROM readings
		WHERE visit_id = :visit ORDER BY taken_at, id`,
		{ visit: id },
		whole
	);
	const { acts, kept, gone } = toldBy(visit, readings);
	// A table from JSON takes a whole visit in one statement.
	await run(
		`INSERT INTO acts (visit_id, id, workshop_id, kind, device, counter, done_at, placed_at, seq, sounders, reading_id, act)
		SELECT :visit, t.id, :workshop, t.kind, '${NIL}', t.counter, t.at, t.at, 0, t.sounders, t.reading, t.act
		FROM JSON_TABLE(:acts, '$[*]' COLUMNS (id CHAR(36) PATH '$.id', kind VARCHAR(12) PATH '$.kind',
			sounders VARCHAR(200) PATH '$.sounders', reading CHAR(36) PATH '$.reading',
			counter INT PATH '$.counter', at DATETIME(3) PATH '$.at', act TEXT PATH '$.act')) t`,
		{ visit: id, workshop: visit.workshopId, acts: JSON.stringify(acts) }
	);
	await run(
		`INSERT INTO plan_versions (id, workshop_id, visit_id, made_at, a4, temperament_id, tolerance, curve_id, lead)
		VALUES (:id, :workshopId, :id, :startedAt, :a4, :temperamentId, :tolerance,
			(SELECT c.id FROM tuning_curves c WHERE c.id = :curveId), :lead)`,
		{ ...visit, ...curveOf(visit) }
	);
	await run(
		`UPDATE readings r JOIN JSON_TABLE(:kept, '$[*]' COLUMNS (
			id CHAR(36) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin PATH '$.id', sounders VARCHAR(200) PATH '$.sounders',
			counter INT PATH '$.counter')) t ON t.id = r.id
		SET r.sounders = t.sounders, r.counter = t.counter, r.placed_at = r.taken_at WHERE r.visit_id = :visit`,
		{ visit: id, kept: JSON.stringify(kept) }
	);
	await run(
		`INSERT INTO reading_partials SELECT visit_id, id, partials FROM readings
		WHERE visit_id = :visit AND partials IS NOT NULL AND partials <> '[]' AND sounders <> ''`,
		{ visit: id }
	);
	if (gone.length) await run('DELETE FROM readings WHERE visit_id = :visit AND id IN (:gone)', { visit: id, gone });
	await run('INSERT INTO simulated_pins VALUES (:id, :moved)', { ...visit });
}

/** Back to marks on readings: each acceptance that has no reading of its own becomes a row again. */
export async function down(db: QueryInterface): Promise<void> {
	if (await hasColumn(db, 'readings', 'sounders')) {
		await run(
			db,
			`UPDATE readings r LEFT JOIN reading_partials p ON p.visit_id = r.visit_id AND p.reading_id = r.id
			SET r.partials = COALESCE(p.partials, '[]'), r.note = SUBSTRING_INDEX(r.sounders, '/', 1),
				r.string = IF(r.sounders LIKE '%,%', 'open', REPLACE(SUBSTRING_INDEX(r.sounders, '/', -1), 'only', 'middle'))
			WHERE r.sounders <> ''`
		);
		await run(
			db,
			`UPDATE readings r JOIN acts a ON a.visit_id = r.visit_id AND a.reading_id = r.id AND a.kind = 'accept'
			SET r.accepted = JSON_VALUE(a.act, '$.purpose') = 'set', r.found = JSON_VALUE(a.act, '$.purpose') = 'found'`
		);
		await run(
			db,
			`INSERT INTO readings (id, workshop_id, visit_id, note, string, taken_at, source, accepted, found, pitch, pitch_error,
				target, deviation, fundamental, inharmonicity, inharmonicity_error, moment, partials)
			SELECT a.id, a.workshop_id, a.visit_id, SUBSTRING_INDEX(JSON_VALUE(a.act, '$.sounders[0]'), '/', 1), 'middle', a.done_at,
				COALESCE(r.source, 'ear'), JSON_VALUE(a.act, '$.purpose') = 'set', JSON_VALUE(a.act, '$.purpose') = 'found', r.pitch,
				r.pitch_error, COALESCE(r.target, JSON_VALUE(a.act, '$.setTo')), r.deviation, r.fundamental, r.inharmonicity,
				r.inharmonicity_error, r.moment, '[]'
			FROM acts a LEFT JOIN readings r ON r.visit_id = a.visit_id AND r.id = JSON_VALUE(a.act, '$.reading')
			WHERE a.kind = 'accept' AND a.reading_id IS NULL AND NOT EXISTS (SELECT 1 FROM readings x WHERE x.id = a.id)`
		);
	}
	if ((await keyColumns(db, 'readings')) === 2)
		await run(db, 'ALTER TABLE readings DROP PRIMARY KEY, ADD PRIMARY KEY (id)');
	await run(
		db,
		`ALTER TABLE readings DROP INDEX IF EXISTS readings_visit_id_placed_at,
			DROP INDEX IF EXISTS readings_visit_id_sounders, DROP COLUMN IF EXISTS sounders,
			DROP COLUMN IF EXISTS device, DROP COLUMN IF EXISTS counter, DROP COLUMN IF EXISTS placed_at,
			DROP COLUMN IF EXISTS seq, DROP COLUMN IF EXISTS hash`
	);
	await run(db, 'ALTER TABLE visits DROP COLUMN IF EXISTS seq');
	for (const table of [
		'instrument_summaries',
		'instrument_sounders',
		'visit_sounders',
		'simulated_pins',
		'reading_partials',
		'plan_versions',
		'acts'
	])
		await db.dropTable(table);
}
