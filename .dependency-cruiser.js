/** What may import what; run by npm run check. */
const CORE_ORDER = [
	'units',
	'numeric',
	'temperament',
	'strings',
	'intervals',
	'bearing',
	'curve',
	'record',
	'condition',
	'survey',
	'raise',
	'muting',
	'listening',
	'sounding',
	'setting',
	'proving',
	'drift',
	'day',
	'reeds',
	'frets',
	'ensembles',
	'drills',
	'families'
];
const FEATURES = [
	'round',
	'places',
	'search',
	'transfer',
	'account',
	'instruments',
	'visit',
	'temperaments',
	'intervals',
	'bearing',
	'counts',
	'practice',
	'ensembles',
	'telephone'
];
const SHARED = [
	'ui',
	'workshop',
	'charts',
	'audio',
	'workers',
	'tuning',
	'record',
	'device',
	'handover',
	'listening',
	'pairs',
	'tones',
	'settings'
];
/** Every folder of lib stands in one of the lists, or is the server's. */
const KNOWN = [...FEATURES, ...SHARED, 'server'];
const TEST = '\\.test\\.ts$';
const lib = (names) => `^web/src/lib/(${names.join('|')})/`;

/** @type {import('dependency-cruiser').IConfiguration} */
export default {
	forbidden: [
		{ name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
		{ name: 'no-folder-cycles', severity: 'error', scope: 'folder', from: {}, to: { circular: true } },
		{
			name: 'every-folder-has-a-rule',
			comment: 'A new folder of lib goes into FEATURES or SHARED above.',
			severity: 'error',
			from: { path: '^web/src/lib/[^/]+/', pathNot: lib(KNOWN) },
			to: {}
		},
		{
			name: 'core-knows-no-web',
			comment: 'The core runs anywhere: no web part, no Node built-ins.',
			severity: 'error',
			from: { path: '^core/src', pathNot: TEST },
			to: { path: '^web/' }
		},
		{
			name: 'core-knows-no-node',
			severity: 'error',
			from: { path: '^core/src', pathNot: TEST },
			to: { dependencyTypes: ['core'] }
		},
		...CORE_ORDER.slice(0, -1).map((folder, i) => ({
			name: `core-order-${folder}`,
			comment: 'Inside the core a folder may use those before it. A test may go against the order.',
			severity: 'error',
			from: { path: `^core/src/${folder}/`, pathNot: TEST },
			to: { path: `^core/src/(${CORE_ORDER.slice(i + 1).join('|')})/` }
		})),
		...FEATURES.map((feature) => ({
			name: `feature-${feature}`,
			comment: "A feature uses the shared folders, never another feature's inside.",
			severity: 'error',
			from: { path: lib([feature]), pathNot: TEST },
			to: { path: lib(FEATURES.filter((other) => other !== feature)) }
		})),
		{
			name: 'shared-knows-no-feature',
			severity: 'error',
			from: { path: lib(SHARED), pathNot: TEST },
			to: { path: lib(FEATURES) }
		},
		{
			name: 'only-server-files-use-the-server',
			severity: 'error',
			from: {
				path: '^web/src/',
				pathNot:
					'^web/src/lib/server/|\\+(page|layout)?\\.?server\\.ts$|\\+server\\.ts$|hooks\\.server\\.ts$|app\\.d\\.ts$'
			},
			to: { path: '^web/src/lib/server/' }
		}
	],
	options: {
		doNotFollow: { path: 'node_modules' },
		// A test may go against the order, and so may what only tests use.
		exclude: { path: `${TEST}|/lib/(server/)?tests/` },
		tsConfig: { fileName: 'tsconfig.tools.json' },
		tsPreCompilationDeps: true,
		enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'svelte', 'default'] }
	}
};
