import { QueryTypes } from 'sequelize';
import { database } from '../db/connection';

export interface Column {
	/** As MariaDB names it: "varchar". */
	readonly type: string;
	readonly isTime: boolean;
	/** Worked out from others. */
	readonly isGenerated: boolean;
	readonly isNullable: boolean;
	/** The table whose rows it names. */
	readonly refers: string | undefined;
}

/** The columns of some tables, as the database has them. */
export async function columnsOf(tables: readonly string[]): Promise<Map<string, Map<string, Column>>> {
	const { sequelize } = database();
	const options = { type: QueryTypes.SELECT, replacements: { tables } } as const;
	const [columns, references] = await Promise.all([
		sequelize.query<{ tab: string; col: string; type: string; extra: string; nullable: string }>(
			`SELECT table_name AS tab, column_name AS col, data_type AS type, extra, is_nullable AS nullable
			FROM information_schema.columns WHERE table_schema = DATABASE() AND table_name IN (:tables)`,
			options
		),
		sequelize.query<{ tab: string; col: string; refers: string }>(
			`SELECT table_name AS tab, column_name AS col, referenced_table_name AS refers FROM information_schema.key_column_usage
			WHERE table_schema = DATABASE() AND table_name IN (:tables) AND referenced_table_name IS NOT NULL AND referenced_column_name = 'id'`,
			options
		)
	]);
	const refers = new Map(references.map(({ tab, col, refers: to }) => [`${tab} ${col}`, to]));
	const all = new Map<string, Map<string, Column>>(tables.map((table) => [table, new Map<string, Column>()]));
	for (const { tab, col, type, extra, nullable } of columns)
		all.get(tab)!.set(col, {
			...{ type, isTime: type === 'datetime', isGenerated: /generated/i.test(extra), isNullable: nullable === 'YES' },
			refers: refers.get(`${tab} ${col}`)
		});
	return all;
}
