import {
	centsBetween,
	fileReed,
	hz,
	nearestNote,
	noteName,
	bendsOf,
	bendSound,
	reedSound,
	reedSounder,
	type Hz,
	type LastingReading,
	type Reading,
	type ReedEnd
} from '@fendrel/core';
import type { WayToBlow } from '$lib/tones/breaths';
import { flatOrSharp, signed } from '$lib/ui/format';
import type { ReedVisit } from '../reedVisit.svelte';
import { ToneBench } from '../toneBench.svelte';

/** A reading this far from the due reed is another one's, in cents. */
const ANOTHERS = 70;
/** A bend ends between these above the reed beneath it, in cents: nearer it is that reed itself. */
const FLOORS = { auxiliary: { least: 12, most: 150 }, reed: { least: 25, most: 200 } } as const;
export const movedReeds = ({ moved }: Pick<ReedVisit, 'moved'>) =>
	Object.fromEntries(Object.entries(moved).map(([group, [reed]]) => [group, reed.speaking]));

/** Reeds one after the other: which is due, what is heard of it, and strokes that are counted for it. */
export class ReedBench extends ToneBench<ReedVisit> {
	/** Strokes are counted by the sound of the file. */
	countsByEar = $state(false);

	/**
	 * @param order reeds in the order of work, as it stands now
	 * @param onRead told of each reading that was kept: it says which reed comes next
	 */
	constructor(
		open: ReedVisit,
		order: () => readonly number[],
		private readonly onRead: (reading: Reading, group: number) => void
	) {
		super(open, order);
	}

	/** What is heard next is the floor of a bend over the due reed. */
	isBending = $state(false);
	/** The bend that ends over the due reed. */
	readonly bend = $derived.by(() => bendsOf(this.open.body).find(({ beneath }) => beneath === this.due));

	get reed() {
		return this.open.reed(this.due);
	}

	override goTo(group: number): void {
		if (group !== this.due) this.isBending = false;
		super.goTo(group);
	}

	/** The simulated reeds are blown, or drawn. */
	blow(breath: WayToBlow): void {
		const { instrument, body, visit } = this.open;
		const of = { twin: instrument.twin, set: body, a4: hz(visit.a4), moved: movedReeds(this.open) };
		const tones = this.isBending
			? bendSound(of, this.due, ++this.times)
			: reedSound(of, [this.due], breath, ++this.times);
		void this.listening.simulated?.sound(tones);
	}

	/** One stroke of the file, written down at once; on simulated reeds it takes metal off. */
	stroke(end: ReedEnd): void {
		const { open, due } = this;
		const { tip, root } = this.reed!;
		open.record.act({ do: 'filed', sounders: [reedSounder(due)], end, strokes: 1 });
		if (!this.listening.simulated) return;
		const { instrument, body, visit, moved } = open;
		const by = fileReed(instrument.twin, body, hz(visit.a4), { group: due, end, strokes: 1, before: tip + root });
		const now = (moved[due]?.[0].speaking ?? 0) + by;
		open.movePins({ ...moved, [due]: [{ pin: now, speaking: now }] });
	}

	/** Where the next stroke goes: on where the bite was begun, or where the advice says. */
	get end(): ReedEnd | undefined {
		const { bite, advice } = this.reed ?? {};
		return bite?.end ?? (advice?.is === 'file' ? advice.end : undefined);
	}

	/** The last stroke was counted and not made. */
	uncount(): void {
		const act = this.reed?.bite?.acts.at(-1);
		if (act && !this.listening.simulated) this.open.record.act({ do: 'takeBack', act });
	}

	/** A stroke was heard: it counts where the advice says, while no reed sounds. */
	protected override heardStroke(): void {
		if (this.countsByEar && !this.sounds && this.end) this.stroke(this.end);
	}

	/** Cents from where a reed is to stand, at gentle breath. */
	protected fromTarget(group: number, pitch: number, level: number, own?: number): number | undefined {
		const { levels } = this.open;
		const target = this.open.targetOf(group);
		const reed = this.open.reed(group);
		if (target === undefined || !reed) return undefined;
		const slope = own ?? reed.standing?.slope.slope ?? reed.slope.slope;
		return centsBetween(target, hz(pitch)) + slope * (levels.gentle - level);
	}

	protected read(reading: LastingReading): void {
		const { open, due } = this;
		if (this.isBending) return this.bent(reading);
		const name = open.family.groupName;
		const hasPartner = open.body.layout.doubling.kind === 'octave';
		if (reading.partner && !hasPartner) {
			this.notice = {
				text: 'A second reed sounded with it, an octave above. Cover the other holes, and sound one alone.'
			};
			return;
		}
		const near = this.nearest(reading.pitch);
		if (near === due) return this.keep(reading, due);
		// What sounded tells nothing of the due reed.
		this.live = undefined;
		this.trace = [];
		const take = { does: `Take it as ${name(due)}`, take: () => this.keep(reading, due) };
		if (near === undefined) {
			const { note, off } = nearestNote(reading.pitch, hz(open.visit.a4));
			const heard = `${noteName(note)}, ${signed(off)} cents`;
			this.notice = { text: `That was ${heard}: no reed of this set stands near it. ${name(due)} is due.`, ...take };
			return;
		}
		this.notice = {
			text: `That was ${name(near)}, ${open.reed(near)!.noteName}; ${name(due)} is due.`,
			does: `Keep it as ${name(near)}`,
			take: () => this.keep(reading, near)
		};
	}

	/** A bend that was played down to its floor: where this player's bends end is learned from it. */
	private bent({ pitch }: LastingReading): void {
		const { open, due } = this;
		const { bend } = this;
		const reed = this.reed!;
		if (!reed.standing || !bend) return;
		const { least, most } = FLOORS[bend.by];
		const above = centsBetween(reed.standing.pitch, pitch);
		if (above < least || above > most) {
			this.notice = {
				text: `That was no bend over ${reed.name}. Bend ${open.family.groupName(bend.bends)} down to where it ends.`
			};
			return;
		}
		this.isBending = false;
		open.record.act({ do: 'bent', group: bend.bends, beneath: due, floor: pitch, over: reed.standing.pitch });
		const { note, off } = nearestNote(pitch, hz(open.visit.a4));
		this.notice = { text: `The bend ends ${flatOrSharp(off)} of ${noteName(note)}.` };
	}

	/** The reed that a pitch belongs to; the due one where it may be its. */
	private nearest(pitch: Hz): number | undefined {
		const near = this.open.reeds
			.map(({ group, role, nominal, pitch: target }) => ({
				group,
				off: Math.abs(centsBetween(role === 'auxiliary' ? target : nominal, pitch))
			}))
			.filter(({ off }) => off <= ANOTHERS)
			.sort((a, b) => a.off - b.off);
		return near.some(({ group }) => group === this.due) ? this.due : near[0]?.group;
	}

	private keep(measured: LastingReading, group: number): void {
		const { open } = this;
		const { slope, pitch, level } = measured;
		const deviation = this.fromTarget(group, pitch, level, slope?.slope)!;
		const target = open.targetOf(group)!;
		this.keepTone(measured, group, { target, deviation, setUp: open.setUp }, (reading) => this.onRead(reading, group));
	}

	protected sounderOf(group: number) {
		return reedSounder(group);
	}
}
