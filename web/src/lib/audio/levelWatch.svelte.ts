import type { ListenerEvent } from '@fendrel/core';

/** Seconds of perfect digital silence after which something is wrong with a microphone. */
const DEAD_SECONDS = 4;
const DEAD_DB = -100;
/** A strike has reached its loudest by then. */
const STRIKE_SECONDS = 0.35;
const QUIET_DB = -120;
/** A blow that was too loud is over at once; that it was stays readable so long, in seconds. */
const CLIPPED_SECONDS = 4;

/** How loud it is, in decibels of full scale: now, between strikes, and at the last strike. */
export class LevelWatch {
	level = $state(QUIET_DB);
	noise = $state(QUIET_DB);
	clipped = $state(false);
	/** Mains frequency that hums, in Hz. */
	hum = $state<number | undefined>();
	/** Level of the last strike; undefined before the first. */
	strikeLevel = $state<number | undefined>();
	/** Nothing at all has come in for a while. */
	dead = $state(false);
	private silentSince: number | undefined;
	/** When the sound clipped last since the last strike. */
	private clippedAt: number | undefined;
	private rising: { readonly until: number; level: number } | undefined;

	reset(): void {
		this.level = this.noise = QUIET_DB;
		this.clipped = this.dead = false;
		this.hum = this.strikeLevel = this.silentSince = this.clippedAt = this.rising = undefined;
	}

	/** How loud it is, where nothing is told besides. */
	hearLevel(at: number, level: number): void {
		this.level = level;
		this.silentSince = level > DEAD_DB ? undefined : (this.silentSince ?? at);
		this.dead = this.silentSince !== undefined && at - this.silentSince > DEAD_SECONDS;
	}

	hear(events: readonly ListenerEvent[]): void {
		for (const event of events) {
			if (event.kind === 'strike') this.begin(event.at);
			if (event.kind !== 'level') continue;
			this.hearLevel(event.at, event.level);
			this.noise = event.noise;
			if (event.clipped) this.clippedAt = event.at;
			this.clipped = this.clippedAt !== undefined && event.at - this.clippedAt < CLIPPED_SECONDS;
			this.hum = event.hum;
			this.followStrike(event.at, event.level);
		}
	}

	private begin(at: number): void {
		this.rising = { until: at + STRIKE_SECONDS, level: QUIET_DB };
		// Its own attack may have clipped before it was known for a strike.
		if ((this.clippedAt ?? at) < at - STRIKE_SECONDS) this.clippedAt = undefined;
	}

	/** The loudest tenth of a second shortly after a strike is its level. */
	private followStrike(at: number, level: number): void {
		if (!this.rising) return;
		this.rising.level = Math.max(this.rising.level, level);
		if (at < this.rising.until) return;
		this.strikeLevel = this.rising.level;
		this.rising = undefined;
	}
}
