import { TEMPERAMENTS } from '@fendrel/core';
import { SequelizeStorage, Umzug } from 'umzug';
import { v7 as uuid } from 'uuid';
import type { Database } from './connection';
import { underLease, type Hold } from './lease';
import * as firstSlice from './migrations/0001-first-slice';
import * as temperamentTunings from './migrations/0002-temperaments';
import * as countedOctaves from './migrations/0003-counted-octaves';
import * as stretch from './migrations/0004-stretch';
import * as curvesAndStrings from './migrations/0005-curves-and-strings';
import * as sound from './migrations/0006-sound';
import * as signInAttempts from './migrations/0007-sign-in-attempts';
import * as record from './migrations/0008-record';
import * as formerReadings from './migrations/0009-former-readings';
import * as stringing from './migrations/0010-stringing';
import * as curveChoice from './migrations/0011-curve-choice';
import * as devices from './migrations/0012-devices';
import * as strikeBefore from './migrations/0013-strike-before';
import * as plannedRaise from './migrations/0014-planned-raise';
import * as settingsAndTouch from './migrations/0015-settings-and-touched-notes';
import * as attachments from './migrations/0016-attachments';
import * as orderOfWork from './migrations/0017-order-of-work';
import * as namesAndDoors from './migrations/0018-names-and-doors';
import * as peopleAndDeletion from './migrations/0019-people-and-deletion';
import * as shelves from './migrations/0020-shelves-and-visit-summaries';
import * as practice from './migrations/0021-practice';
import * as freeReeds from './migrations/0023-free-reeds';
import * as frets from './migrations/0024-frets';
import * as ensembles from './migrations/0025-ensembles';
import * as diary from './migrations/0026-diary';
import * as placeClimate from './migrations/0027-place-climate';
import * as importParts from './migrations/0028-import-parts';
import * as telephone from './migrations/0029-telephone';
import * as shownPractice from './migrations/0022-shown-practice';

const MIGRATIONS = [
	{ name: '0001-first-slice', ...firstSlice },
	{ name: '0002-temperaments', ...temperamentTunings },
	{ name: '0003-counted-octaves', ...countedOctaves },
	{ name: '0004-stretch', ...stretch },
	{ name: '0005-curves-and-strings', ...curvesAndStrings },
	{ name: '0006-sound', ...sound },
	{ name: '0007-sign-in-attempts', ...signInAttempts },
	{ name: '0008-record', ...record },
	{ name: '0009-former-readings', ...formerReadings },
	{ name: '0010-stringing', ...stringing },
	{ name: '0011-curve-choice', ...curveChoice },
	{ name: '0012-devices', ...devices },
	{ name: '0013-strike-before', ...strikeBefore },
	{ name: '0014-planned-raise', ...plannedRaise },
	{ name: '0015-settings-and-touched-notes', ...settingsAndTouch },
	{ name: '0016-attachments', ...attachments },
	{ name: '0017-order-of-work', ...orderOfWork },
	{ name: '0018-names-and-doors', ...namesAndDoors },
	{ name: '0019-people-and-deletion', ...peopleAndDeletion },
	{ name: '0020-shelves-and-visit-summaries', ...shelves },
	{ name: '0021-practice', ...practice },
	{ name: '0022-shown-practice', ...shownPractice },
	{ name: '0023-free-reeds', ...freeReeds },
	{ name: '0024-frets', ...frets },
	{ name: '0025-ensembles', ...ensembles },
	{ name: '0026-diary', ...diary },
	{ name: '0027-place-climate', ...placeClimate },
	{ name: '0028-import-parts', ...importParts },
	{ name: '0029-telephone', ...telephone }
];

/** @param hold asked before each step */
export function migrator({ sequelize }: Database, hold: Hold = async () => {}) {
	const context = sequelize.getQueryInterface();
	return new Umzug({
		migrations: MIGRATIONS.map(({ name, up, down }) => ({
			name,
			up: async () => {
				await hold();
				await up(context);
			},
			down: () => down(context)
		})),
		context,
		storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
		logger: undefined
	});
}

/**
 * Brings the tables up to date, and the temperament table in line with the core's library: one server at a time, and again
 * from wherever a killed one had come to.
 */
export function migrate(database: Database): Promise<void> {
	return underLease(database.sequelize, async (hold) => {
		await migrator(database, hold).up();
		await fillLibrary(database);
	});
}

async function fillLibrary(database: Database): Promise<void> {
	const { temperaments } = database.models;
	for (const { id: slug, name, tuning, ...about } of TEMPERAMENTS) {
		const row = { name, tuning, about };
		const [changed] = await temperaments.update(row, { where: { slug, workshopId: null } });
		const exists = changed > 0 || (await temperaments.count({ where: { slug, workshopId: null } })) > 0;
		if (!exists) await temperaments.create({ id: uuid(), workshopId: null, slug, version: 0, ...row });
	}
}
