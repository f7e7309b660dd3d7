import {
	fretGroup,
	fretPlaceOf,
	hz,
	stringSounder,
	type Hz,
	type Neck,
	type SoundedNeck,
	type SounderId
} from '@fendrel/core';
import type { FretInstrument } from '$lib/device/books';
import type { OpenVisit } from '../openVisit.svelte';
import { ToneBench } from '../toneBench.svelte';

/** What is due, as its page shows it. */
export interface DueSound {
	readonly name: string;
	readonly noteName: string;
	/** Cents from where it is to stand, as it was read last. */
	readonly off: number | undefined;
	readonly isRead: boolean;
}

/** A visit to strings over frets, whose pegs the simulated instrument turns. */
interface StringVisit extends OpenVisit<FretInstrument> {
	readonly body: Neck;
	readonly movedNeck: SoundedNeck['moved'];
	targetOf(group: number): Hz | undefined;
}

/** Strings over frets one after the other; a simulated neck sounds them, and its pegs are turned here. */
export abstract class StringBench<Open extends StringVisit = StringVisit> extends ToneBench<Open> {
	/** What is due. */
	abstract get string(): DueSound | undefined;
	/** How the simulated string is sounded, by keys from 1. */
	abstract get ways(): readonly { readonly label: string; readonly sound: () => void }[];

	protected sounderOf(group: number): SounderId {
		return stringSounder(group);
	}

	protected get sounded(): SoundedNeck {
		const { instrument, body, movedNeck } = this.open;
		return { twin: instrument.twin, neck: body, a4: hz(instrument.usualA4), moved: movedNeck };
	}

	/** The string that is due has broken: it goes to the record, and what was read of it counts no more. */
	broke(): void {
		const { string, isSecond } = fretPlaceOf(this.groupAt(this.due));
		const group = fretGroup(string, 0, isSecond);
		this.open.record.act({ do: 'broke', sounder: stringSounder(group) });
		this.live = undefined;
		this.notice = {
			text: `${this.open.family.groupName(group)}: broken, and on record. Go on with the others meanwhile.`
		};
	}

	/** The simulated string's peg is turned, by so many cents. */
	turn(cents: number): void {
		const { moved } = this.open;
		const { string, isSecond } = fretPlaceOf(this.groupAt(this.due));
		const peg = fretGroup(string, 0, isSecond);
		const now = (moved[peg]?.[0].speaking ?? 0) + cents;
		this.open.movePins({ ...moved, [peg]: [{ pin: now, speaking: now }] });
	}
}
