import { grade, ROOM, SOUND, type Part } from './part';

const SMALL_TAPS = 'Small taps, not steady force; read with the hand off the lever.';
const LET_DOWN = 'Let every string down until it frees, then raise it, in every pass.';
const RUST = [
	grade('lightRust', 'Light rust', 'watch', 'procedure', LET_DOWN),
	grade('heavyRust', 'Heavy rust', 'bad', 'hold', 'Raise one string an octave on trial first: a bad set shows at once.')
];
const WRONG = grade('wrong', 'A string missing or wrong', 'watch');
export const PIANO: readonly Part[] = [
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

export const EARLY: readonly Part[] = [
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
