import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize';

/** Temperaments of any making, with their description, and a name that is a workshop's only once. */
export async function up(db: QueryInterface): Promise<void> {
	const { sequelize } = db;
	await db.addColumn('temperaments', 'tuning', { type: DataTypes.TEXT('long'), allowNull: true });
	await db.addColumn('temperaments', 'about', { type: DataTypes.TEXT('long'), allowNull: true });
	const rows = await sequelize.query<{ id: string; fifths: string }>('SELECT id, fifths FROM temperaments', {
		type: QueryTypes.SELECT
	});
	for (const { id, fifths } of rows)
		await sequelize.query('UPDATE temperaments SET tuning = :tuning, about = :about WHERE id = :id', {
			replacements: {
				id,
				tuning: JSON.stringify({ by: 'fifths', fifths: JSON.parse(fifths) }),
				// The library's descriptions follow when the table is brought in line with it.
				about: JSON.stringify({ family: 'well', uses: [], period: '', character: '', goodFor: '', source: '' })
			},
			type: QueryTypes.UPDATE
		});
	for (const column of ['tuning', 'about'])
		await db.changeColumn('temperaments', column, { type: DataTypes.TEXT('long'), allowNull: false });
	await db.removeColumn('temperaments', 'fifths');
	await db.addIndex('temperaments', ['workshop_id', 'name'], { unique: true, name: 'temperaments_workshop_name' });
}

export async function down(db: QueryInterface): Promise<void> {
	await db.addColumn('temperaments', 'fifths', { type: DataTypes.TEXT('long'), allowNull: true });
	// Tables of cents have no fifths to go back to: what cannot be kept goes, unless a visit rests on it.
	await db.sequelize.query("UPDATE temperaments SET fifths = JSON_EXTRACT(tuning, '$.fifths')");
	await db.removeIndex('temperaments', 'temperaments_workshop_name');
	await db.removeColumn('temperaments', 'tuning');
	await db.removeColumn('temperaments', 'about');
}
