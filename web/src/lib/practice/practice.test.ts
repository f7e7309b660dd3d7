import {
	createRandom,
	DRILLS,
	equalHz,
	DIRECTION,
	hz,
	PARTIALS,
	SIZES,
	stringFromFirstPartial,
	type Chord,
	type Trial
} from '@fendrel/core';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { DRILL_WORDS, thresholdWords } from './drillWords';
import { handOverSittings, keepHere } from './keptSittings';
import { drillAction } from './practiceKeys';
import { SITTING, type Progress } from './progress';
import { proposal, reachedUnison } from './today';
import { ChoiceSitting } from './choiceSitting.svelte';

const drill = SIZES;
const [register] = drill.registers;
const strings = (note: number) => stringFromFirstPartial(equalHz(note, hz(440)), 5e-4);

/** A loudspeaker that plays nothing and remembers what it was given. */
class FakePlayer {
	playing: string | undefined;
	turn = 0;
	readonly played: (readonly (readonly Chord[])[])[] = [];
	inTurn = async (name: string, sounds: readonly (readonly Chord[])[]) => {
		this.playing = name;
		this.played.push(sounds);
	};
	stop = () => void (this.playing = undefined);
}

let player: FakePlayer;
let told: { trials: readonly Trial[]; isOver: boolean }[];
let sitting: ChoiceSitting;
beforeEach(() => {
	player = new FakePlayer();
	told = [];
	const onanswered = (trials: readonly Trial[], isOver: boolean) => void told.push({ trials, isOver });
	sitting = new ChoiceSitting({ drill, register, strings, earlier: [], seed: 3, player, onanswered });
});

describe('a sitting', () => {
	it('asks the same again until it is answered, and tells at once what it was', async () => {
		sitting.choose(1);
		expect(sitting.trials).toEqual([]);
		await sitting.play();
		await sitting.play();
		expect(player.played[1]).toEqual(player.played[0]);
		expect(player.played[0]).toHaveLength(3);
		// What cannot be chosen is no answer.
		sitting.choose(3);
		sitting.choose(-1);
		expect(sitting.trials).toEqual([]);
		sitting.choose(0);
		expect(sitting.told!.chosen).toBe(0);
		expect(sitting.trials).toEqual([{ size: sitting.told!.size, isRight: sitting.told!.right === 0 }]);
		sitting.choose(1);
		expect(sitting.trials).toHaveLength(1);
		expect(player.playing).toBeUndefined();
	});

	it('takes by pedal what sounds now, or what sounded last, and nothing while the cue sounds', async () => {
		const [register] = PARTIALS.registers;
		const cued = new ChoiceSitting({
			drill: PARTIALS,
			register,
			strings,
			earlier: [],
			seed: 5,
			player,
			onanswered: () => {}
		});
		await cued.play();
		expect([cued.sounding, cued.heard]).toEqual([undefined, undefined]);
		player.turn = 2;
		expect([cued.sounding, cued.heard]).toEqual([1, 1]);
		player.turn = 0;
		await sitting.play();
		player.turn = 1;
		expect(sitting.heard).toBe(1);
		player.stop();
		expect(sitting.isPlaying).toBe(false);
	});

	it('does not count what was interrupted, and plays another in its place', async () => {
		await sitting.play();
		sitting.interrupt('The page was out of sight.');
		expect([sitting.isAsked, sitting.notice, sitting.trials.length]).toEqual([false, 'The page was out of sight.', 0]);
		await sitting.play();
		expect(sitting.notice).toBeUndefined();
		expect(player.played[1]).not.toEqual(player.played[0]);
	});

	it('plays smaller sizes to whoever hears, ends by itself, and says so once', async () => {
		const random = createRandom(5);
		for (let i = 0; i < SITTING.choice; i++) {
			await sitting.play();
			// Hears from one cent on.
			const { size, right } = (sitting as unknown as { asked: { size: number; right: number } }).asked;
			sitting.choose(size > 1 ? right : Math.floor(3 * random.uniform()));
		}
		expect(sitting.isOver).toBe(true);
		expect(told.map(({ isOver }) => isOver)).toEqual([...Array<boolean>(SITTING.choice - 1).fill(false), true]);
		// Thirty answers place it within a factor of two.
		const { size } = sitting.own.threshold();
		expect(size).toBeGreaterThan(0.5);
		expect(size).toBeLessThan(2);
		sitting.end();
		await sitting.play();
		expect([told.length, player.played.length]).toEqual([SITTING.choice, SITTING.choice]);
	});

	it('that is ended before anything was answered leaves nothing', () => {
		sitting.end();
		expect([sitting.isOver, told]).toEqual([true, []]);
	});
});

describe('answers that have names', () => {
	it('are marked one after the other by one pedal, and taken by the other', async () => {
		const [register] = DIRECTION.registers;
		const named = new ChoiceSitting({
			drill: DIRECTION,
			register,
			strings,
			earlier: [],
			seed: 5,
			player,
			onanswered: () => {}
		});
		named.markNext();
		expect(named.marked).toBeUndefined();
		await named.play();
		expect([named.isNamed, named.sounding, named.choices]).toEqual([true, undefined, 2]);
		named.choose(named.heard);
		expect(named.trials).toEqual([]);
		for (const expected of [0, 1, 0]) {
			named.markNext();
			expect(named.marked).toBe(expected);
		}
		named.choose(named.heard);
		expect(named.told!.chosen).toBe(0);
		expect(named.trials[0].way).toBe(named.told!.right === 1 ? 1 : -1);
		expect(named.marked).toBeUndefined();
	});
});

describe('keys of a drill', () => {
	const key = (name: string, of: object = {}) => ({
		...{ key: name, shiftKey: false, ctrlKey: false, metaKey: false, altKey: false, target: null },
		...of
	});
	it('play, choose, take and end; and leave alone what is not theirs', () => {
		expect(['Space', ' ', 'PageUp', 'PageDown', 'Escape', '2', 'x'].map((name) => drillAction(key(name)))).toEqual([
			undefined,
			{ do: 'play' },
			{ do: 'play' },
			{ do: 'take' },
			{ do: 'end' },
			{ do: 'choose', which: 1 },
			undefined
		]);
		expect(drillAction(key('2', { ctrlKey: true }))).toBeUndefined();
	});
});

describe('what to train today', () => {
	const now = Date.parse('2026-07-14T18:00:00Z');
	const sat = (drill: string, register: string, hoursAgo: readonly number[], size?: number): Progress => ({
		...{ drill, register, lean: undefined },
		figure: size === undefined ? undefined : { size, low: size, high: size, trials: 60 },
		sittings: hoursAgo.map((hours, i) => ({
			...{ id: String(i), at: now - hours * 3_600_000, count: 30, isGuessed: false, figure: undefined }
		}))
	});

	it('is the drill that gains most, and not the one that was done today', () => {
		const first = proposal([], now);
		expect(first.is).toBe('drill');
		if (first.is !== 'drill') return;
		const { drill, register, isMeasured } = first.gain;
		expect(isMeasured).toBe(false);
		const next = proposal([sat(drill, register, [2])], now);
		expect(next.is === 'drill' && next.gain.drill + next.gain.register).not.toBe(drill + register);
		// A day later it is its turn again.
		expect(proposal([sat(drill, register, [30])], now)).toMatchObject({ gain: { drill, register } });
		// An octave that is heard from eight cents on weighs more than anything else.
		expect(proposal([sat('octaves', 'middle', [40], 8)], now)).toMatchObject({
			gain: { drill: 'octaves', isMeasured: true }
		});
	});

	it('is a rest where there was enough', () => {
		expect(proposal([sat('sizes', 'middle', [9, 6, 3, 1])], now)).toEqual({ is: 'rest', sittings: 4 });
		// What a device with a wrong clock calls tomorrow is no sitting of today.
		expect(proposal([sat('sizes', 'middle', [-20, -21, -22, -23])], now).is).toBe('drill');
	});

	it('asks of unisons no less than a hand reaches, to a hundredth', () => {
		expect(reachedUnison(0.33)).toBe(0.19);
		expect(reachedUnison(1)).toBe(0.58);
	});
});

describe('words', () => {
	it('are there for every drill, with sizes in its own unit', () => {
		for (const { id } of DRILLS) expect(DRILL_WORDS[id].why.length).toBeGreaterThan(40);
		const threshold = { size: 0.123, low: 0.1, high: 0.2, trials: 40 };
		expect(thresholdWords(threshold, DRILL_WORDS.sizes)).toBe(
			'between 0.10 and 0.20 cents, nine times of ten; 20 more answers make it firm'
		);
		expect(thresholdWords({ ...threshold, trials: 60 }, DRILL_WORDS.rates)).toBe(
			'between 10 and 20 %, nine times of ten'
		);
	});
});

describe('what was answered', () => {
	it('stays on the device until the server has it, whosever it is, and grows meanwhile', async () => {
		const store = new Map<string, string>();
		vi.stubGlobal('localStorage', {
			getItem: (name: string) => store.get(name) ?? null,
			setItem: (name: string, value: string) => void store.set(name, value)
		});
		const kept = () => Object.keys(JSON.parse(store.get('fendrel.sittings') ?? '{}') as object);
		const of = (count: number) => ({
			...{ drill: 'sizes', register: 'middle', beganAt: new Date().toISOString() },
			trials: Array.from({ length: count }, () => ({ size: 1, isRight: true }))
		});
		keepHere('me', 'a', of(3));
		keepHere('another', 'b', of(2));
		vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')));
		expect(await handOverSittings('me')).toMatch(/does not answer/);
		expect(kept()).toEqual(['a', 'b']);
		const sent: string[] = [];
		vi.stubGlobal('fetch', async (path: string) => {
			sent.push(path);
			// Another answer while it is on its way.
			if (sent.length === 1) keepHere('me', 'a', of(4));
			return Response.json({ kept: true });
		});
		expect(await handOverSittings('me')).toBeUndefined();
		expect(kept().sort()).toEqual(['a', 'b']);
		await handOverSittings('me');
		expect(kept()).toEqual(['b']);
		expect(sent.every((path) => path.endsWith('/a'))).toBe(true);
		vi.unstubAllGlobals();
	});
});
