import { grade, ROOM, SOUND, type Part } from './part';

export const FRETTED: readonly Part[] = [
	{
		id: 'pegs',
		name: 'Pegs',
		look: 'Do they slip, or stick and jump? Pegs of wood are pressed in while one turns, the pegbox held on the other side; those with worms are oiled.',
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
		name: 'Neck',
		look: 'Sight along it and its fingerboard: hollow, hump, twist; the height of the strings.',
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
		name: 'Body',
		look: 'Cracks, open seams, a soundpost that stands askew, a brace that is loose.',
		grades: [
			SOUND,
			grade('seam', 'A seam is open', 'watch'),
			grade('crack', 'Crack', 'bad', 'hold', 'A luthier must judge it.')
		]
	},
	ROOM
];
