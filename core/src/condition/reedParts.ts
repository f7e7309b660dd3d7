import { grade, SOUND, type Part } from './part';

export const REEDS: readonly Part[] = [
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
