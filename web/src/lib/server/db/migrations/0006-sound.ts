import { DataTypes, type QueryInterface } from 'sequelize';

const FIGURES = ['false_beat', 'false_beat_depth', 'spread', 'spread_error'];

/** What Sound finds out of a string besides its pitch, and how a workshop listens. */
export async function up(db: QueryInterface): Promise<void> {
	await db.addColumn('readings', 'found', { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false });
	await db.addColumn('readings', 'listened', { type: DataTypes.INTEGER, allowNull: true });
	for (const column of FIGURES) await db.addColumn('readings', column, { type: DataTypes.DOUBLE, allowNull: true });
	await db.addColumn('workshops', 'listening', { type: DataTypes.TEXT, allowNull: true });
}

export async function down(db: QueryInterface): Promise<void> {
	await db.removeColumn('workshops', 'listening');
	for (const column of ['found', 'listened', ...FIGURES]) await db.removeColumn('readings', column);
}
