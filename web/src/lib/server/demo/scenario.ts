import type { Auxiliary, StringKind, VisitPurpose } from '@fendrel/core';

/** The Saltmarsh festival: an estuary town's summer music week. All names are invented. */
export const DEMO_ACCOUNT = {
	workshop: 'Saltmarsh Workshop',
	name: 'Wren Halloran',
	email: 'demo@saltmarsh.example',
	password: 'saltmarsh'
} as const;

/** What the workshop asks for. */
export const DEMO_PRICE = { visit: 20, note: 3, tuning: 95, pass: 40 } as const;

export interface DemoInstrument {
	readonly name: string;
	readonly location: string;
	readonly town: string;
	readonly kind: StringKind;
	readonly maker: string;
	readonly madeIn: number;
	readonly lowest: number;
	readonly highest: number;
	readonly a4: number;
	readonly temperament: string;
	readonly notes: string;
	/** Months between visits. */
	readonly every: number;
	readonly visits: number;
	/** Cents that it sinks in a year without care, and how far summer damp lifts it. */
	readonly sinks: number;
	readonly swing: number;
	/** Cents below its pitch as it stands now, when it has been left alone for long. */
	readonly neglected?: number;
	/** What it is played for, and what was promised at its last visit. */
	readonly purpose?: VisitPurpose;
	readonly promised?: readonly { readonly part: string; readonly text: string }[];
	/** Rust at the bearings, from a note upwards. */
	readonly rust?: { readonly from: number; readonly share: number };
	/** How it is strung, where somebody has measured it. */
	readonly strung?: Strung;
	/** Its registers, where it has several. */
	readonly registers?: string;
}

/** A scale as wires and lengths give it. */
export interface Strung {
	/** The longest string in mm. */
	readonly longest: number;
	/** How much longer than usual its strings are. */
	readonly stretched: number;
	/** One note in so many was measured. */
	readonly every: number;
	/** Notes that somebody strung with a heavier wire, and wound ones gone dead: how much stiffer they are. */
	readonly wrong: Readonly<Record<number, number>>;
	readonly dead: Readonly<Record<number, number>>;
}

const PIANO = { lowest: 21, highest: 108, a4: 440, temperament: 'equal' } as const;
const SCHOOL = {
	purpose: 'institution',
	location: 'School of Music',
	town: 'Saltmarsh',
	kind: 'upright',
	...PIANO
} as const;
const MAKERS = ['Tasker Orrin', 'Bexhollow & Daughters', 'Marram', 'Pellwin'];

const practiceRooms: DemoInstrument[] = Array.from({ length: 23 }, (_, i) => {
	const room = i + 1;
	return {
		...SCHOOL,
		name: `Practice room ${room}`,
		maker: MAKERS[(room * 7) % MAKERS.length],
		madeIn: 1968 + ((room * 13) % 45),
		notes: room % 6 === 0 ? 'Stands by the radiator; ask again for it to be moved.' : '',
		every: 6,
		visits: 3 + (room % 3),
		sinks: 5 + (room % 5),
		swing: 3 + (room % 4)
	};
});

export const DEMO_INSTRUMENTS: readonly DemoInstrument[] = [
	{
		...PIANO,
		name: 'Chapel concert grand',
		location: 'Shore Chapel',
		town: 'Saltmarsh',
		kind: 'grand',
		maker: 'Bexhollow & Daughters',
		madeIn: 1994,
		purpose: 'stage',
		notes: 'Festival piano, 274 cm. Keep the humidity tray filled from May on.',
		strung: { longest: 2010, stretched: 1, every: 1, wrong: {}, dead: {} },
		every: 3,
		visits: 12,
		sinks: 3,
		swing: 2.5
	},
	{
		...PIANO,
		name: 'Teaching studio grand',
		location: 'School of Music',
		town: 'Saltmarsh',
		kind: 'grand',
		maker: 'Pellwin',
		madeIn: 2006,
		notes: 'Used all day in term.',
		every: 4,
		visits: 8,
		sinks: 4,
		swing: 3
	},
	...practiceRooms,
	{
		...PIANO,
		name: 'Sail loft upright',
		location: 'The Sail Loft',
		town: 'Saltmarsh Quay',
		kind: 'upright',
		maker: 'Marram',
		madeIn: 1931,
		strung: { longest: 1240, stretched: 1.05, every: 2, wrong: { 74: 1.36 }, dead: { 33: 0.62 } },
		notes: 'Damp in winter. Light rust on the treble bearing. Wants to come up to 440 for the festival supper.',
		every: 24,
		visits: 1,
		sinks: 6,
		swing: 4,
		neglected: 31,
		rust: { from: 72, share: 0.5 },
		promised: [
			{ part: 'action', text: 'Glue the hammer of D5' },
			{ part: 'bass', text: 'New bass string A1: the old one has gone dead' }
		]
	},
	{
		...PIANO,
		name: 'Tide mill cottage upright',
		location: 'The Tide Mill',
		town: 'Saltmarsh Quay',
		kind: 'upright',
		maker: 'Tasker Orrin',
		madeIn: 1957,
		notes: 'Played alone; the owner likes it a little low.',
		every: 12,
		visits: 4,
		sinks: 4,
		swing: 3
	},
	{
		name: 'Festival harpsichord',
		location: 'Shore Chapel',
		town: 'Saltmarsh',
		kind: 'harpsichord',
		maker: 'Elspet Corrow',
		madeIn: 1988,
		lowest: 29,
		highest: 89,
		a4: 415,
		temperament: 'vallotti',
		notes: 'Double manual, two eight-foots and a four-foot. Lower eight-foot first, the others to it.',
		registers: 'three',
		every: 3,
		visits: 7,
		sinks: 9,
		swing: 5
	},
	{
		name: 'Assembly room fortepiano',
		location: 'Assembly Rooms',
		town: 'Tern Ferry',
		kind: 'fortepiano',
		maker: 'Elspet Corrow',
		madeIn: 2001,
		lowest: 29,
		highest: 89,
		a4: 430,
		temperament: 'werckmeister-3',
		notes: 'After an instrument of about 1795. Bichord throughout.',
		every: 6,
		visits: 4,
		sinks: 7,
		swing: 4
	}
];

/** The visit that was left half done. */
export const HALF_DONE = { instrument: 'Practice room 7', notes: 21 } as const;

export const CLOSING_NOTES = [
	'Pitch held well. Next time look at the una corda rail.',
	'Treble a little low past the break; brought up and proved twice.',
	'Two dampers whisper in the tenor: to be quoted.',
	'Brought up after a dry spell. Advised to move it away from the window.',
	'Clean. Hammers of the fifth octave are grooved.'
];

/** An octave that was counted: an attempt at equal that leans the wrong way, by this share of a well temperament. */
export const COUNTED = {
	instrument: 'Tide mill cottage upright',
	a4: 440,
	low: 53,
	reference: 57,
	ear: 'repeated',
	reversed: 'werckmeister-3',
	share: 0.5
} as const;

/** A harmonica of the ferry band. */
export interface DemoHarp {
	readonly name: string;
	readonly tonic: number;
	readonly layout: string;
	readonly auxiliaries?: readonly Auxiliary[];
	readonly notes: string;
	/** What was noted when it was left. */
	readonly left: string;
}

export const HARPS: readonly DemoHarp[] = [
	{
		...{ name: 'Ferry band, harp 1 in A', tonic: 57, layout: 'major' },
		notes: 'Played hard, on deck.',
		left: 'Chords still at playing breath. Draw 3 has been filed at both ends: no more.'
	},
	{
		...{ name: 'Ferry band, harp 2 in B flat', tonic: 58, layout: 'major' },
		notes: 'Spare; seldom played.',
		left: 'All octaves still.'
	},
	{
		...{
			name: 'Ferry band, harp 3 in C',
			tonic: 60,
			layout: 'major',
			auxiliaries: [{ hole: 5, plate: 'blow', wanted: 15 }]
		},
		notes: 'An auxiliary reed in hole 5 gives the blow bend to E flat.',
		left: ''
	},
	{
		...{ name: 'Ferry band, harp 4 in D', tonic: 62, layout: 'naturalMinor' },
		notes: 'For the two slow songs.',
		left: 'The comb was sanded flat; it leaks no more.'
	},
	{
		...{ name: 'Ferry band, slide harp in C', tonic: 60, layout: 'chromatic' },
		notes: 'Belongs to the skipper.',
		left: 'Slide cleaned. Hole 9 was left as it was.'
	}
];
/** The harp that is half done, and how many reeds of it are set. */
export const HALF_FILED = { harp: 'Ferry band, harp 3 in C', reeds: 7 } as const;

/** A viol of the consort. */
export interface DemoNeck {
	readonly name: string;
	readonly neck: string;
	readonly place: string;
	readonly town: string;
	readonly maker: string;
	readonly madeIn: number;
	readonly a4: number;
	/** What it was tuned in last. */
	readonly temperament: string;
	readonly notes: string;
	/** What was noted when it was left. */
	readonly left: string;
}

const TIDE_MILL = { place: 'Old tide mill', town: 'Saltmarsh', a4: 415 } as const;
export const NECKED: readonly DemoNeck[] = [
	{
		...{ ...TIDE_MILL, name: 'Tide mill consort, treble viol', neck: 'treble', temperament: 'equal' },
		...{ maker: 'Ilse Harrowby', madeIn: 1994, notes: 'Its player keeps equal frets: they do for everything.' },
		left: 'The first fret slips; a slip of paper beneath it for now.'
	},
	{
		...{ ...TIDE_MILL, name: 'Tide mill consort, tenor viol', neck: 'tenor', temperament: 'meantone-quarter' },
		...{ maker: 'Ilse Harrowby', madeIn: 1996, notes: 'Pure thirds, or nothing, says its player.' },
		left: 'G sharp and E flat on one fret cannot both be right; a second fret was talked about.'
	},
	{
		...{ ...TIDE_MILL, name: 'Tide mill consort, bass viol', neck: 'bass', temperament: 'vallotti' },
		...{ maker: 'Corwen Pell', madeIn: 2003, notes: 'Plays with the harpsichord as often as with the consort.' },
		left: ''
	}
];
/** The viol that is half done. */
export const HALF_FRETTED = 'Tide mill consort, bass viol';

/** The guitar that lives with a capo. */
export const GUITAR = {
	...{ name: 'Steel-string guitar, lock-keeper’s', neck: 'steelGuitar', capo: 2, touch: 0.5, seed: 5417 },
	...{ place: 'Lock-keeper’s house', town: 'Saltmarsh', maker: 'Perrin Ashdown', madeIn: 2008, a4: 440 },
	notes: 'Lives with a capo at the second fret; played in between, now and then hard.',
	kept: 'Capo 2, ballads',
	left: 'Strings a month old. The fifth fret buzzes on the B string when it is hit hard.'
} as const;

/** Who plays together at the festival. */
export const TOGETHER = {
	name: 'Festival ensemble',
	members: [
		'Festival harpsichord',
		'Tide mill consort, treble viol',
		'Tide mill consort, tenor viol',
		'Tide mill consort, bass viol'
	]
} as const;

/** How one gets into the festival's houses, and whom one rings up. */
export const DEMO_PLACES = [
	{
		...{ name: 'Shore Chapel', address: 'Strand 1', entry: 'Key with the verger, side door', fromHome: 12 },
		contacts: [
			{ name: 'Maud Orchard', role: 'verger', phone: '01632 960141', email: 'chapel@saltmarsh.example', note: '' }
		]
	},
	{
		...{
			name: 'School of Music',
			address: 'Dyke Road 40',
			entry: 'Keys at the porter’s lodge until six',
			fromHome: 10
		},
		contacts: [
			{ name: 'Tobias Fenwright', role: 'porter', phone: '01632 960150', email: '', note: '' },
			{
				name: 'Hanne Quill',
				role: 'head of keyboards',
				phone: '',
				email: 'quill@saltmarsh.example',
				note: 'Decides on raises.'
			}
		]
	},
	{
		...{ name: 'The Sail Loft', address: 'Quay 7', entry: 'Key at the chandler’s', fromHome: 18 },
		contacts: [
			{
				name: 'Perrin Gale',
				role: 'owner',
				phone: '01632 960163',
				email: '',
				note: 'Wants it up for the festival supper.'
			}
		]
	},
	{
		...{ name: 'The Tide Mill', address: 'Sluice Lane 2', entry: 'Ring twice', fromHome: 20 },
		contacts: [{ name: 'Ida Fenner', role: 'owner', phone: '01632 960171', email: 'ida@tidemill.example', note: '' }]
	},
	{
		...{ name: 'Assembly Rooms', address: 'Ferry Square', entry: 'Caretaker’s bell on the left', fromHome: 35 },
		contacts: [{ name: 'Col Barrow', role: 'caretaker', phone: '01632 960188', email: '', note: '' }]
	}
] as const;

/** Minutes from house to house, where somebody has driven it. */
export const DEMO_WAYS = [
	['Shore Chapel', 'School of Music', 6],
	['Shore Chapel', 'The Sail Loft', 11],
	['The Sail Loft', 'The Tide Mill', 5],
	['School of Music', 'Assembly Rooms', 32]
] as const;

/** What is booked: days from today, minutes after midnight. */
export const DEMO_BOOKINGS: readonly {
	readonly day: number;
	readonly at: number;
	readonly minutes: number;
	readonly names: readonly string[];
	readonly purpose: string;
	readonly promised: string;
}[] = [
	{
		day: 0,
		at: 510,
		minutes: 75,
		names: ['Sail loft upright'],
		purpose: 'Look at it before the raise',
		promised: 'A price for the bass string'
	},
	{ day: 0, at: 630, minutes: 110, names: ['Practice room 12'], purpose: '', promised: '' },
	{ day: 0, at: 750, minutes: 60, names: ['Practice room 7'], purpose: 'Finish it', promised: '' },
	{
		day: 0,
		at: 870,
		minutes: 75,
		names: ['Festival harpsichord'],
		purpose: '415 for Thursday’s rehearsal',
		promised: ''
	},
	{ day: 0, at: 975, minutes: 60, names: ['Tide mill cottage upright'], purpose: '', promised: 'Left a little low' },
	{
		day: 1,
		at: 540,
		minutes: 120,
		names: ['Chapel concert grand'],
		purpose: 'Festival opening',
		promised: 'Ready by noon'
	},
	{ day: 2, at: 600, minutes: 150, names: ['Practice room 3', 'Practice room 5'], purpose: '', promised: '' },
	{ day: 6, at: 570, minutes: 90, names: ['Assembly room fortepiano'], purpose: 'Matinée', promised: '' }
];
