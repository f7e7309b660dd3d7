import type { Brief } from '../record/brief';
import type { StringKind } from '../strings/inharmonicity';

/** What advice depends on. */
export interface AdviceGround extends Pick<Brief, 'played'> {
	readonly kind: StringKind;
	/** Per cent of relative humidity, where it was measured. */
	readonly humidity: number | undefined;
	/** How far the section that was moved furthest was moved, in cents; from where on it still gives. */
	readonly moved: number;
	readonly followUp: number;
	/** Strings that broke. */
	readonly broken: number;
	/** Grades of the parts that were looked at. */
	readonly grades: ReadonlyMap<string, string>;
}

/** Something to tell the owner. */
export interface OwnersAdvice {
	readonly id: string;
	readonly text: string;
	/** Whether what was found asks for it. */
	readonly suits: (ground: AdviceGround) => boolean;
}

/** Humidity in which instruments keep, in per cent. */
const EVEN = { driest: 40, dampest: 60 } as const;
const never = () => false;
const isEarly = ({ kind }: AdviceGround) => kind === 'harpsichord' || kind === 'fortepiano';

export const ADVICE: readonly OwnersAdvice[] = [
	{
		id: 'dryAir',
		text: 'The air is dry. A humidifier in the room does more for it than another tuning.',
		suits: ({ humidity }) => humidity !== undefined && humidity < EVEN.driest
	},
	{
		id: 'dampAir',
		text: 'The air is damp. Air the room on dry days, and dry no laundry beside it.',
		suits: ({ humidity }) => humidity !== undefined && humidity > EVEN.dampest
	},
	{
		id: 'evenAir',
		text: `Keep the air as even as you can: ${EVEN.driest} to ${EVEN.dampest} % humidity, and no great swings of warmth.`,
		suits: never
	},
	{
		id: 'room',
		text: 'Move it away from the heater, the window and the outer wall.',
		suits: ({ grades }) => grades.get('room') === 'watch'
	},
	{
		id: 'stillGives',
		text: 'It was moved far and will sink a little. A second tuning in two to three weeks makes it last.',
		suits: ({ moved, followUp }) => moved >= followUp
	},
	{
		id: 'newStrings',
		text: 'A string broke. The new one sinks for some weeks and is drawn up again at the next visit.',
		suits: ({ broken }) => broken > 0
	},
	{
		id: 'play',
		text: 'Play it. An instrument that is used keeps better than one that stands.',
		suits: ({ played }) => played === 'seldom' || played === 'hardly'
	},
	{
		id: 'treble',
		text: 'The treble drifts first. Touch it up yourself each week, with the lever straight on the pin.',
		suits: isEarly
	},
	{ id: 'lid', text: 'Close it when nobody plays. Put no plants or drinks on it.', suits: never },
	{
		id: 'moving',
		text: 'Have it moved by people who do that for a living, and tuned two to three weeks later.',
		suits: never
	}
];
