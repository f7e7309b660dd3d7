import { DataTypes, type QueryInterface } from 'sequelize';
import { addIndex } from './statements';

const id = { type: DataTypes.UUID, primaryKey: true, allowNull: false };
const reference = (model: string, allowNull = false) => ({
	type: DataTypes.UUID,
	allowNull,
	references: { model, key: 'id' },
	onDelete: allowNull ? 'SET NULL' : 'CASCADE',
	onUpdate: 'CASCADE'
});
const JSON_TEXT = { type: DataTypes.TEXT('long'), allowNull: false };
const TIME = { type: DataTypes.DATE(3), allowNull: false };

/** Tuning curves and tables of strings: every version is kept, none is overwritten. */
export async function up(db: QueryInterface): Promise<void> {
	await db.createTable('tuning_curves', {
		id,
		workshop_id: reference('workshops'),
		instrument_id: reference('instruments'),
		visit_id: reference('visits', true),
		made_at: TIME,
		wish: JSON_TEXT,
		lowest: { type: DataTypes.INTEGER, allowNull: false },
		deviations: JSON_TEXT,
		notes_read: { type: DataTypes.INTEGER, allowNull: false }
	});
	await addIndex(db, 'tuning_curves', ['instrument_id', 'made_at']);
	await db.createTable('string_tables', {
		id,
		workshop_id: reference('workshops'),
		instrument_id: reference('instruments'),
		saved_at: TIME,
		strings: JSON_TEXT
	});
	await addIndex(db, 'string_tables', ['instrument_id', 'saved_at']);
}

export async function down(db: QueryInterface): Promise<void> {
	for (const table of ['string_tables', 'tuning_curves']) await db.dropTable(table);
}
