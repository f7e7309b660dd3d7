import type { InstrumentKind } from '../record/kinds';

/**
 * What stands in the way of adding tension: nothing until it is repaired; nothing until somebody has answered for it; or a
 * way of working that goes with it.
 */
export type GateKind = 'stop' | 'hold' | 'procedure';

export interface Grade {
	readonly id: string;
	/** In words, as it is said of the part. */
	readonly words: string;
	readonly looks: 'sound' | 'watch' | 'bad';
	readonly gate?: GateKind;
	/** What follows for the work, in a sentence. */
	readonly so?: string;
}

/** A part that is looked at on arrival. */
export interface Part {
	readonly id: string;
	readonly name: string;
	/** What to look for. */
	readonly look: string;
	readonly grades: readonly Grade[];
}

const grade = (id: string, words: string, looks: Grade['looks'], gate?: GateKind, so?: string): Grade => ({
	...{ id, words, looks },
	...(gate && { gate }),
	...(so && { so })
});
const SOUND = grade('sound', 'Sound', 'sound');
const SMALL_TAPS = 'Small taps, not steady force; read with the hand off the lever.';
const LET_DOWN = 'Let every string down until it frees, then raise it, in every pass.';
const RUST = [
	grade('lightRust', 'Light rust', 'watch', 'procedure', LET_DOWN),
	grade('heavyRust', 'Heavy rust', 'bad', 'hold', 'Raise one string an octave on trial first: a bad set shows at once.')
];
const WRONG = grade('wrong', 'A string missing or wrong', 'watch');
const ROOM: Part = {
	id: 'room',
	name: 'The room',
	look: 'Heater, window, outer wall, humidity.',
	grades: [SOUND, grade('watch', 'Unkind to it', 'watch')]
};

const PIANO: readonly Part[] = [
	{
		id: 'pins',
		name: 'Pins and block',
		look: 'Torque by section; pins that jump or do not hold; cracks between pins.',
		grades: [
			SOUND,
			grade('someLoose', 'A few loose', 'watch'),
			grade('loose', 'Loose', 'bad', 'hold', 'They will not hold a raise.'),
			grade('separating', 'Block separating', 'bad', 'stop', 'No tension until the block is repaired.')
		]
	},
	{
		id: 'treble',
		name: 'Strings, treble',
		look: 'Rust, kinks, strings that do not belong.',
		grades: [SOUND, ...RUST, WRONG]
	},
	{
		id: 'tenor',
		name: 'Strings, tenor',
		look: 'Rust, kinks, strings that do not belong.',
		grades: [SOUND, ...RUST, WRONG]
	},
	{
		id: 'bass',
		name: 'Strings, bass',
		look: 'Rust, windings that buzz, strings gone dead.',
		grades: [SOUND, grade('dead', 'Strings gone dead', 'watch'), ...RUST, WRONG]
	},
	{
		id: 'bearings',
		name: 'Bearing points',
		look: 'Rust under the strings; friction by section.',
		grades: [
			SOUND,
			grade('gripsBass', 'Grips in the bass', 'watch', 'procedure', SMALL_TAPS),
			grade('gripsTenor', 'Grips in the tenor', 'watch', 'procedure', SMALL_TAPS),
			grade('gripsTreble', 'Grips in the treble', 'watch', 'procedure', SMALL_TAPS),
			grade('grips', 'Grips throughout', 'watch', 'procedure', SMALL_TAPS),
			grade('rusted', 'Rusted', 'bad', 'procedure', LET_DOWN)
		]
	},
	{
		id: 'bridges',
		name: 'Bridges',
		look: 'Cracks at the bridge pins above all.',
		grades: [
			SOUND,
			grade('hairline', 'Hairline cracks', 'watch'),
			grade(
				'cracked',
				'Cracked',
				'bad',
				'hold',
				'Somebody qualified must judge it sound, or it stays at the pitch it stands at.'
			),
			grade('split', 'Split', 'bad', 'stop', 'No tension until the bridge is repaired.')
		]
	},
	{
		id: 'plate',
		name: 'Plate and frame',
		look: 'Cracks at the struts and at the nose bolts.',
		grades: [
			SOUND,
			grade('doubtful', 'Not sure', 'bad', 'hold', 'Have it judged before tension is added.'),
			grade('cracked', 'Cracked', 'bad', 'stop', 'No tension: repair or retirement is a rebuilder’s matter.')
		]
	},
	{
		id: 'repairs',
		name: 'Earlier repairs',
		look: 'Splices, glued bridges, bushed pins.',
		grades: [grade('none', 'None seen', 'sound'), grade('some', 'Repaired before', 'watch')]
	},
	{
		id: 'action',
		name: 'Action and keys',
		look: 'Clicks, sluggish keys, loose hammers.',
		grades: [SOUND, grade('noises', 'Noises', 'watch')]
	},
	{
		id: 'pedals',
		name: 'Pedals and dampers',
		look: 'Squeaks, dampers that whisper.',
		grades: [SOUND, grade('watch', 'To see to', 'watch')]
	},
	ROOM
];

const EARLY: readonly Part[] = [
	{
		id: 'pins',
		name: 'Tuning pins',
		look: 'Hold and turn; splits in the wrest plank.',
		grades: [
			SOUND,
			grade('loose', 'Some loose', 'watch', 'procedure', 'Press in while turning, and trace each string to its pin.'),
			grade('split', 'Wrest plank split', 'bad', 'stop', 'No tension until it is repaired.')
		]
	},
	{
		id: 'strings',
		name: 'Strings',
		look: 'Kinks, corrosion, strings of another gauge or metal.',
		grades: [
			SOUND,
			WRONG,
			grade('tired', 'Near breaking', 'bad', 'hold', 'Historic wire runs close to breaking: do not raise the pitch.')
		]
	},
	{
		id: 'plectra',
		name: 'Plectra and hammers',
		look: 'Cracks, uneven voice, worn leather.',
		grades: [SOUND, grade('worn', 'Some worn', 'watch')]
	},
	{
		id: 'jacks',
		name: 'Jacks and keys',
		look: 'Sticking, slow return, noises.',
		grades: [SOUND, grade('sticking', 'Some stick', 'watch')]
	},
	{
		id: 'stops',
		name: 'Stops and buff',
		look: 'Each register engages fully; buff off.',
		grades: [SOUND, grade('watch', 'To see to', 'watch')]
	},
	{
		id: 'bridges',
		name: 'Bridges and soundboard',
		look: 'Cracks, loose ribs, a bridge that rolls.',
		grades: [
			SOUND,
			grade('cracks', 'Cracks', 'watch'),
			grade('loose', 'Bridge loose', 'bad', 'hold', 'Somebody qualified must judge it.')
		]
	},
	{
		id: 'case',
		name: 'Case and frame',
		look: 'Twist, open joints, a cheek that lifts.',
		grades: [SOUND, grade('joints', 'Joints open', 'bad', 'hold', 'Tension would open them further.')]
	},
	{
		id: 'repairs',
		name: 'Earlier repairs',
		look: 'Restringing, new pins, glued cracks.',
		grades: [grade('none', 'None seen', 'sound'), grade('some', 'Repaired before', 'watch')]
	},
	ROOM
];

const REEDS: readonly Part[] = [
	{
		id: 'comb',
		name: 'Comb',
		look: 'Warped, swollen, cracked between chambers; does it lie flat on both plates?',
		grades: [
			SOUND,
			grade('uneven', 'Not quite flat', 'watch'),
			grade('leaks', 'Leaks', 'bad', 'procedure', 'Read on a sealed block until it is flat.')
		]
	},
	{
		id: 'blowPlate',
		name: 'Blow plate',
		look: 'Flat, screws tight, slots clean.',
		grades: [SOUND, grade('bent', 'Bent', 'watch'), grade('burrs', 'Burrs in the slots', 'watch')]
	},
	{
		id: 'drawPlate',
		name: 'Draw plate',
		look: 'Flat, screws tight, slots clean.',
		grades: [SOUND, grade('bent', 'Bent', 'watch'), grade('burrs', 'Burrs in the slots', 'watch')]
	},
	{
		id: 'gaps',
		name: 'Reed gaps',
		look: 'Each as wide as its reed is thick or less; evenly from hole to hole.',
		grades: [
			SOUND,
			grade('uneven', 'Uneven', 'watch', 'procedure', 'Set the gaps first: a gap that is moved later moves the pitch.'),
			grade('choke', 'Some choke', 'bad', 'procedure', 'Set the gaps first: a reed that chokes cannot be read.')
		]
	},
	{
		id: 'reeds',
		name: 'Reeds',
		look: 'Cracks at the rivet or across, twisted or loose reeds, a pitch that has dropped since last time.',
		grades: [
			SOUND,
			grade('twisted', 'Some twisted', 'watch'),
			grade('cracked', 'One cracked', 'bad', 'hold', 'It goes on falling and breaks: replace it rather than file it.')
		]
	},
	{
		id: 'rust',
		name: 'Rust and verdigris',
		look: 'Green or brown on reeds and rivets.',
		grades: [
			grade('none', 'None', 'sound'),
			grade('some', 'Some', 'watch', 'procedure', 'Clean before reading: what sits on a reed is weight.'),
			grade('eaten', 'Reeds eaten', 'bad', 'hold', 'Thin reeds do not hold a pitch.')
		]
	},
	{
		id: 'filed',
		name: 'Earlier filing',
		look: 'Marks at tip and root under the glass.',
		grades: [
			grade('none', 'None seen', 'sound'),
			grade('some', 'Filed before', 'watch'),
			grade('deep', 'Deep, at both ends', 'bad', 'hold', 'Little metal is left: move them no further than they must.')
		]
	},
	{
		id: 'covers',
		name: 'Covers and mouthpiece',
		look: 'Do they open and close the same each time? Read with them on, or always off.',
		grades: [SOUND, grade('bent', 'Bent', 'watch')]
	},
	{
		id: 'hygiene',
		name: 'Cleanliness',
		look: 'Whose mouth was it at? Rinse or wipe before it is blown; never blow a stranger’s uncleaned.',
		grades: [
			grade('clean', 'Clean', 'sound'),
			grade('cleaned', 'Cleaned now', 'sound'),
			grade('unclean', 'Not cleaned', 'bad', 'hold', 'Use a bellows or a sealed block, or clean it first.')
		]
	}
];

const FRETTED: readonly Part[] = [
	{
		id: 'pegs',
		name: 'Pegs',
		look: 'Do they slip, or stick and jump? Press in while turning; support the pegbox on the other side.',
		grades: [
			SOUND,
			grade('stiff', 'Stiff', 'watch', 'procedure', 'Dress them first: a peg that jumps cannot be set.'),
			grade('slip', 'Some slip', 'bad', 'procedure', 'Chalk or paste first; a luthier where the hole is worn.')
		]
	},
	{
		id: 'nut',
		name: 'Nut',
		look: 'Grooves too deep or too tight, a string that clicks as it is tuned.',
		grades: [
			SOUND,
			grade('binds', 'A string binds', 'watch', 'procedure', 'Graphite in the groove before anything is read.')
		]
	},
	{
		id: 'frets',
		name: 'Frets',
		look: 'Loose ones, worn grooves, one that slides under the finger.',
		grades: [
			SOUND,
			grade('worn', 'Some worn', 'watch'),
			grade(
				'loose',
				'Some loose',
				'bad',
				'procedure',
				'Tie them anew, or a slip of paper beneath: a fret that slides cannot be set.'
			)
		]
	},
	{
		id: 'neck',
		name: 'Neck and fingerboard',
		look: 'Sight along it: hollow, hump, twist; the height of the strings.',
		grades: [
			SOUND,
			grade('bow', 'Hollow', 'watch'),
			grade('joint', 'Joint opens', 'bad', 'hold', 'A luthier must judge it before it is brought up.')
		]
	},
	{
		id: 'strings',
		name: 'Strings',
		look: 'Frayed, unequal, out of round: stop each in the middle of its length, does its octave agree?',
		grades: [
			SOUND,
			grade(
				'old',
				'Old',
				'watch',
				'procedure',
				'A string that is out of round is wrong at every fret: change it first.'
			),
			grade('broken', 'One missing', 'bad')
		]
	},
	{
		id: 'bridge',
		name: 'Bridge',
		look: 'Upright on its feet, in its place, not pulled over.',
		grades: [SOUND, grade('leans', 'Leans', 'watch', 'procedure', 'Set it upright first: it moves every note.')]
	},
	{
		id: 'body',
		name: 'Body and soundpost',
		look: 'Cracks, open seams, a post that stands askew.',
		grades: [
			SOUND,
			grade('seam', 'A seam is open', 'watch'),
			grade('crack', 'Crack', 'bad', 'hold', 'A luthier must judge it.')
		]
	},
	ROOM
];

/** The parts of an instrument of a kind, in the order in which they are looked at. */
export function partsOf(kind: InstrumentKind): readonly Part[] {
	if (kind === 'reeds') return REEDS;
	if (kind === 'frets') return FRETTED;
	return kind === 'grand' || kind === 'upright' ? PIANO : EARLY;
}
