import { DataTypes } from 'sequelize';
import type { ActRow, AttachmentRow, ReadingPartialsRow, ReadingRow } from '../rows';
import { json, key, optional, required, TIME, type Define } from './columns';

/** What happens in a visit: readings and acts, stored once. */
export const recordTables = (define: Define) => ({
	readings: define<ReadingRow>('readings', {
		visitId: key(),
		id: key(),
		workshopId: required(DataTypes.UUID),
		sounders: required(DataTypes.STRING(200)),
		device: required(DataTypes.UUID),
		counter: required(DataTypes.INTEGER),
		takenAt: required(TIME),
		placedAt: required(TIME),
		seq: required(DataTypes.INTEGER),
		hash: optional(DataTypes.CHAR(64)),
		source: required(DataTypes.STRING(12)),
		way: { ...required(DataTypes.STRING(12)), defaultValue: 'struck' },
		pitch: optional(DataTypes.DOUBLE),
		pitchError: optional(DataTypes.DOUBLE),
		target: required(DataTypes.DOUBLE),
		deviation: optional(DataTypes.DOUBLE),
		fundamental: optional(DataTypes.DOUBLE),
		inharmonicity: optional(DataTypes.DOUBLE),
		inharmonicityError: optional(DataTypes.DOUBLE),
		moment: optional(DataTypes.DOUBLE),
		listened: optional(DataTypes.INTEGER),
		falseBeat: optional(DataTypes.DOUBLE),
		falseBeatDepth: optional(DataTypes.DOUBLE),
		spread: optional(DataTypes.DOUBLE),
		spreadError: optional(DataTypes.DOUBLE),
		lasting: json<ReadingRow>('lasting', true)
	}),
	readingPartials: define<ReadingPartialsRow>('reading_partials', {
		visitId: key(),
		readingId: key(),
		partials: json<ReadingPartialsRow>('partials')
	}),
	attachments: define<AttachmentRow>('attachments', {
		visitId: key(),
		id: key(),
		workshopId: required(DataTypes.UUID),
		type: required(DataTypes.STRING(40)),
		bytes: required(DataTypes.BLOB('medium')),
		hash: required(DataTypes.CHAR(64)),
		addedAt: required(TIME)
	}),
	acts: define<ActRow>('acts', {
		visitId: key(),
		id: key(),
		workshopId: required(DataTypes.UUID),
		kind: required(DataTypes.STRING(12)),
		device: required(DataTypes.UUID),
		counter: required(DataTypes.INTEGER),
		doneAt: required(TIME),
		placedAt: required(TIME),
		seq: required(DataTypes.INTEGER),
		sounders: optional(DataTypes.STRING(200)),
		readingId: optional(DataTypes.UUID),
		act: json<ActRow>('act'),
		hash: optional(DataTypes.CHAR(64))
	})
});
