import type { ModelAttributes, Sequelize } from 'sequelize';
import type { Define, Table } from './tables/columns';
import { diaryTables } from './tables/diaryTables';
import { instrumentTables } from './tables/instrumentTables';
import { practiceTables } from './tables/practiceTables';
import { recordTables } from './tables/recordTables';
import { temperamentTables } from './tables/temperamentTables';
import { visitTables } from './tables/visitTables';
import { workshopTables } from './tables/workshopTables';

export function defineModels(sequelize: Sequelize) {
	const define: Define = <Row extends object>(
		name: string,
		attributes: Record<keyof Row & string, unknown>,
		{ isDeletable } = { isDeletable: false }
	) =>
		sequelize.define(
			name,
			attributes as ModelAttributes,
			isDeletable ? { paranoid: true, timestamps: true, createdAt: false, updatedAt: false } : {}
		) as unknown as Table<Row>;
	return {
		...workshopTables(define),
		...diaryTables(define),
		...instrumentTables(define),
		...temperamentTables(define),
		...visitTables(define),
		...recordTables(define),
		...practiceTables(define)
	};
}
export type Models = ReturnType<typeof defineModels>;
