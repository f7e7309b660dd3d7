import { DataTypes, type QueryInterface } from 'sequelize';
import { addIndex } from './statements';

const id = { type: DataTypes.UUID, primaryKey: true, allowNull: false };
const TIME = DataTypes.DATE(3);
const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false });
const required = <T>(type: T) => ({ type, allowNull: false });
const to = (model: string, onDelete: string, allowNull = false) => ({
	type: DataTypes.UUID,
	allowNull,
	references: { model, key: 'id' },
	onDelete,
	onUpdate: 'CASCADE'
});
const JSON_TEXT = { type: DataTypes.TEXT('long'), allowNull: false };

export async function up(db: QueryInterface): Promise<void> {
	await makeWorkshops(db);
	await makeInstruments(db);
	await makeVisits(db);
}

async function makeWorkshops(db: QueryInterface): Promise<void> {
	await db.createTable('workshops', {
		id,
		name: text(120),
		demo: required(DataTypes.BOOLEAN),
		created_at: required(TIME)
	});
	await db.createTable('users', {
		id,
		workshop_id: to('workshops', 'CASCADE'),
		email: { ...text(190), unique: true },
		name: text(120),
		password_hash: text(255),
		created_at: required(TIME)
	});
	await db.createTable('sessions', {
		token_hash: { type: DataTypes.CHAR(64), primaryKey: true, allowNull: false },
		user_id: to('users', 'CASCADE'),
		created_at: required(TIME),
		expires_at: required(TIME)
	});
	await addIndex(db, 'sessions', ['expires_at']);
	await db.createTable('places', {
		id,
		workshop_id: to('workshops', 'CASCADE'),
		name: text(120),
		town: text(120)
	});
	await addIndex(db, 'places', ['workshop_id', 'name'], 'UNIQUE INDEX');
}

async function makeInstruments(db: QueryInterface): Promise<void> {
	await db.createTable('instruments', {
		id,
		workshop_id: to('workshops', 'CASCADE'),
		place_id: to('places', 'SET NULL', true),
		name: text(120),
		kind: text(20),
		maker: text(120),
		made_in: { type: DataTypes.INTEGER, allowNull: true },
		lowest: required(DataTypes.INTEGER),
		highest: required(DataTypes.INTEGER),
		usual_a4: required(DataTypes.DOUBLE),
		notes: required(DataTypes.TEXT),
		twin: JSON_TEXT,
		created_at: required(TIME)
	});
	await addIndex(db, 'instruments', ['workshop_id', 'name'], 'UNIQUE INDEX');
	await db.createTable('temperaments', {
		id,
		workshop_id: to('workshops', 'CASCADE', true),
		slug: text(60),
		name: text(120),
		fifths: JSON_TEXT
	});
	await addIndex(db, 'temperaments', ['workshop_id', 'slug'], 'UNIQUE INDEX');
}

async function makeVisits(db: QueryInterface): Promise<void> {
	await db.createTable('visits', {
		id,
		workshop_id: to('workshops', 'CASCADE'),
		instrument_id: to('instruments', 'CASCADE'),
		temperament_id: to('temperaments', 'RESTRICT'),
		a4: required(DataTypes.DOUBLE),
		tolerance: required(DataTypes.DOUBLE),
		stage: text(10),
		current_note: { type: DataTypes.INTEGER, allowNull: true },
		moved: JSON_TEXT,
		note: required(DataTypes.TEXT),
		started_at: required(TIME),
		finished_at: { type: TIME, allowNull: true },
		started_by: to('users', 'SET NULL', true)
	});
	// The instrument's page asks for its visits by time; the visit list for the workshop's, unfinished first.
	await addIndex(db, 'visits', ['instrument_id', 'started_at']);
	await addIndex(db, 'visits', ['workshop_id', 'finished_at', 'started_at']);
	await db.createTable('readings', {
		id,
		workshop_id: to('workshops', 'CASCADE'),
		visit_id: to('visits', 'CASCADE'),
		note: required(DataTypes.INTEGER),
		string: text(10),
		taken_at: required(TIME),
		source: text(12),
		accepted: required(DataTypes.BOOLEAN),
		pitch: { type: DataTypes.DOUBLE, allowNull: true },
		pitch_error: { type: DataTypes.DOUBLE, allowNull: true },
		target: required(DataTypes.DOUBLE),
		deviation: { type: DataTypes.DOUBLE, allowNull: true },
		fundamental: { type: DataTypes.DOUBLE, allowNull: true },
		inharmonicity: { type: DataTypes.DOUBLE, allowNull: true },
		inharmonicity_error: { type: DataTypes.DOUBLE, allowNull: true },
		moment: { type: DataTypes.DOUBLE, allowNull: true },
		partials: JSON_TEXT
	});
	await addIndex(db, 'readings', ['visit_id', 'taken_at']);
	await addIndex(db, 'readings', ['visit_id', 'note']);
}

export async function down(db: QueryInterface): Promise<void> {
	for (const table of ['readings', 'visits', 'temperaments', 'instruments', 'places', 'sessions', 'users', 'workshops'])
		await db.dropTable(table);
}
