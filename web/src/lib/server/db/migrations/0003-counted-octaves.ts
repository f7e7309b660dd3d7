import { DataTypes, type QueryInterface } from 'sequelize';
import { addIndex } from './statements';

const reference = (model: string, onDelete: string, allowNull = false) => ({
	type: DataTypes.UUID,
	allowNull,
	references: { model, key: 'id' },
	onDelete,
	onUpdate: 'CASCADE'
});

/** Octaves that somebody counted, with what they were counted against. */
export async function up(db: QueryInterface): Promise<void> {
	await db.createTable('counted_octaves', {
		id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
		workshop_id: reference('workshops', 'CASCADE'),
		// A typical instrument has no row: its kind stands for it.
		instrument_id: reference('instruments', 'CASCADE', true),
		kind: { type: DataTypes.STRING(20), allowNull: false },
		temperament_id: reference('temperaments', 'RESTRICT'),
		a4: { type: DataTypes.DOUBLE, allowNull: false },
		low: { type: DataTypes.INTEGER, allowNull: false },
		reference: { type: DataTypes.INTEGER, allowNull: false },
		ear: { type: DataTypes.STRING(20), allowNull: false },
		counts: { type: DataTypes.TEXT('long'), allowNull: false },
		verdict: { type: DataTypes.STRING(300), allowNull: false },
		counted_at: { type: DataTypes.DATE(3), allowNull: false }
	});
	await addIndex(db, 'counted_octaves', ['workshop_id', 'counted_at']);
}

export async function down(db: QueryInterface): Promise<void> {
	await db.dropTable('counted_octaves');
}
