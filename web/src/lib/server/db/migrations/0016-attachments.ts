import { DataTypes, type QueryInterface } from 'sequelize';
import { addIndex } from './statements';

/** Photos and sounds that go with a visit; an act says what each shows. */
export async function up(db: QueryInterface): Promise<void> {
	const visit = {
		type: DataTypes.UUID,
		references: { model: 'visits', key: 'id' },
		onDelete: 'CASCADE',
		onUpdate: 'CASCADE'
	};
	await db.createTable('attachments', {
		visit_id: { ...visit, primaryKey: true, allowNull: false },
		id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
		workshop_id: { type: DataTypes.UUID, allowNull: false },
		type: { type: DataTypes.STRING(40), allowNull: false },
		bytes: { type: DataTypes.BLOB('medium'), allowNull: false },
		hash: { type: DataTypes.CHAR(64), allowNull: false },
		added_at: { type: DataTypes.DATE(3), allowNull: false }
	});
	await addIndex(db, 'attachments', ['workshop_id']);
}

export async function down(db: QueryInterface): Promise<void> {
	await db.dropTable('attachments');
}
