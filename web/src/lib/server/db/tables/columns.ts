import { DataTypes, type Model, type ModelAttributes, type ModelStatic } from 'sequelize';

export type Table<Row extends object> = ModelStatic<Model<Row, Row>>;
export type Define = <Row extends object>(
	name: string,
	attributes: Record<keyof Row & string, unknown>,
	options?: { readonly isDeletable: boolean }
) => Table<Row>;
/** What can be brought back for a while: whoever asks for its rows does not see those that are deleted. */
export const DELETABLE = { isDeletable: true } as const;

/**
 * MariaDB keeps JSON as text, and what a driver makes of it depends on its version: so it is text here,
 * written and read in one place.
 */
export function json<Row>(key: keyof Row & string, allowNull = false) {
	return {
		type: DataTypes.TEXT('long'),
		allowNull,
		get(this: Model) {
			const text = this.getDataValue(key) as string | null;
			return typeof text === 'string' ? JSON.parse(text) : text;
		},
		set(this: Model, value: unknown) {
			this.setDataValue(key, JSON.stringify(value));
		}
	};
}

/** Made anew for each column: Sequelize writes into what it is given. */
export const key = () => ({ type: DataTypes.UUID, primaryKey: true, allowNull: false });
export const required = (type: ModelAttributes[string]) => ({ type: type as never, allowNull: false });
export const optional = (type: ModelAttributes[string]) => ({ type: type as never, allowNull: true });
export const TIME = DataTypes.DATE(3);
/** When something was deleted, and by whom; it goes for good later. */
export const deletion = () => ({ deletedAt: optional(TIME), deletedBy: optional(DataTypes.UUID) });
