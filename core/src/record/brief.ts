import type { Programme } from './programme';
import type { SounderId } from './sounder';

/** What a visit is for: at home stability comes before accuracy, on a stage every string counts. */
export const VISIT_PURPOSES = ['home', 'lesson', 'institution', 'studio', 'stage'] as const;
export type VisitPurpose = (typeof VISIT_PURPOSES)[number];

export const PLAYED = ['daily', 'weekly', 'seldom', 'hardly'] as const;
export type Played = (typeof PLAYED)[number];

/** What is asked on arrival: each point may be told by another device. */
export interface Brief {
	readonly purpose: VisitPurpose;
	/** The day it must be ready, as YYYY-MM-DD. */
	readonly due: string | null;
	readonly played: Played | null;
	/** Pitch and temperament that are wished, in words, and a complaint in the player's own. */
	readonly wishes: string;
	readonly complaint: string;
	/** Shape of the pins and the lever's head that fits them. */
	readonly pins: string;
}
export const BLANK_BRIEF: Brief = { purpose: 'home', due: null, played: null, wishes: '', complaint: '', pins: '' };

export const CLIMATE_SOURCES = ['typed', 'logger', 'file'] as const;
/** Degrees Celsius and per cent of relative humidity. */
export interface Climate {
	readonly temperature: number | null;
	readonly humidity: number | null;
	readonly by: (typeof CLIMATE_SOURCES)[number];
}

/** A part of the instrument as it was judged: a grade of the family's table, and a word. */
export interface JudgedPart {
	readonly part: string;
	readonly grade: string;
	readonly note: string;
}

export const ATTACHMENT_KINDS = ['photo', 'sound'] as const;
export type AttachmentKind = (typeof ATTACHMENT_KINDS)[number];
/** A photo or some seconds of sound that show a part; the bytes are kept apart. */
export interface Attachment {
	readonly attachment: string;
	readonly part: string;
	readonly kind: AttachmentKind;
}

export const FINDING_STATES = ['open', 'quoted', 'done', 'declined'] as const;
/** Work that was found and is not forgotten: it stays with the instrument until it is done. */
export interface Finding {
	readonly finding: string;
	readonly part: string | null;
	readonly text: string;
	readonly state: (typeof FINDING_STATES)[number];
}

/** On arrival only the leave to look is asked; the rest when pitch and passes are known. */
export const CONSENTS = ['look', 'trial', 'raise'] as const;
/** What was explained, by whom, to whom, and what they said. */
export interface Consent {
	readonly to: (typeof CONSENTS)[number];
	readonly explained: string;
	readonly by: string;
	readonly from: string;
	readonly given: boolean;
}

/** Who answered for what held a raise back, and why. */
export interface Cleared {
	readonly part: string;
	/** The grade that was cleared: another one holds again. */
	readonly grade: string;
	readonly by: string;
	readonly reason: string;
}

/** Acts of arriving. */
export type ArrivalAct =
	| { readonly do: 'brief'; readonly brief: Partial<Brief> }
	| ({ readonly do: 'climate' } & Climate)
	| ({ readonly do: 'part' } & JudgedPart)
	| ({ readonly do: 'attach' } & Attachment)
	| ({ readonly do: 'finding' } & Finding)
	| ({ readonly do: 'clear' } & Cleared)
	/** A string that broke. */
	| { readonly do: 'broke'; readonly sounder: SounderId }
	/** What will be played on it, and how much each note counts for that; without weights: as usual. */
	| ({ readonly do: 'programme' } & Programme)
	/** A caution as it was shown. */
	| { readonly do: 'caution'; readonly caution: string; readonly text: string }
	| ({ readonly do: 'consent' } & Consent);

/** Something that was said, and when: milliseconds since 1970. */
export type At<Told> = Told & { readonly at: number };

/** What arriving has come to. */
export interface Arrival {
	readonly brief: Brief;
	/** Whether anybody has said what the visit is for. */
	readonly isBriefed: boolean;
	readonly climate: At<Climate> | undefined;
	readonly parts: ReadonlyMap<string, At<JudgedPart>>;
	/** By the act that attached it: taken back it is gone. */
	readonly attachments: ReadonlyMap<string, At<Attachment>>;
	readonly findings: ReadonlyMap<string, At<Finding>>;
	readonly cleared: ReadonlyMap<string, At<Cleared>>;
	readonly broken: readonly At<{ readonly sounder: SounderId }>[];
	readonly programme: Programme | undefined;
	readonly cautions: readonly string[];
	/** The last word on each matter. */
	readonly consents: ReadonlyMap<Consent['to'], At<Consent>>;
}

/** @param acts those that stand, in order; of each matter the last one counts */
export function arrivalOf(acts: readonly At<ArrivalAct>[]): Arrival {
	let [brief, isBriefed] = [BLANK_BRIEF, false];
	let climate: At<Climate> | undefined;
	const parts = new Map<string, At<JudgedPart>>();
	const attachments = new Map<string, At<Attachment>>();
	const findings = new Map<string, At<Finding>>();
	const cleared = new Map<string, At<Cleared>>();
	const broken: At<{ readonly sounder: SounderId }>[] = [];
	let programme: Arrival['programme'];
	const cautions = new Set<string>();
	const consents = new Map<Consent['to'], At<Consent>>();
	for (const act of acts)
		switch (act.do) {
			case 'brief':
				[brief, isBriefed] = [{ ...brief, ...act.brief }, true];
				break;
			case 'climate':
				climate = act;
				break;
			case 'part':
				parts.set(act.part, act);
				break;
			case 'attach':
				attachments.set(act.attachment, act);
				break;
			case 'finding':
				findings.set(act.finding, act);
				break;
			case 'clear':
				cleared.set(act.part, act);
				break;
			case 'broke':
				broken.push(act);
				break;
			case 'programme':
				programme = act.weights.length ? act : undefined;
				break;
			case 'caution':
				cautions.add(act.caution);
				break;
			case 'consent':
				consents.set(act.to, act);
		}
	return {
		brief,
		isBriefed,
		climate,
		parts,
		attachments,
		findings,
		cleared,
		broken,
		programme,
		cautions: [...cautions],
		consents
	};
}

const KINDS = {
	brief: 1,
	climate: 1,
	part: 1,
	attach: 1,
	finding: 1,
	clear: 1,
	broke: 1,
	programme: 1,
	caution: 1,
	consent: 1
} satisfies Record<ArrivalAct['do'], 1>;
export function isArrivalAct<Of extends { readonly do: string }>(act: Of): act is Of & ArrivalAct {
	return act.do in KINDS;
}
