import { DataTypes } from 'sequelize';
import type { SittingRow } from '../rows';
import { json, key, required, TIME, type Define } from './columns';

/** What was practised. */
export const practiceTables = (define: Define) => ({
	sittings: define<SittingRow>('sittings', {
		id: key(),
		userId: required(DataTypes.UUID),
		drill: required(DataTypes.STRING(20)),
		register: required(DataTypes.STRING(20)),
		beganAt: required(TIME),
		trials: json<SittingRow>('trials'),
		isGuessed: required(DataTypes.BOOLEAN)
	})
});
