import { cents, KEYBOARD, usualStringing } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import { pairLive, unisonLive } from './liveWords';
import { beginPair, leverString, pairHeard } from './pairWork';

const body = { lowest: 21, highest: 108, stringing: usualStringing('upright', 21, 108) };
const strike = (apart: number, off: number) => ({ apart, off, limit: 0.4, within: 0.5 });

describe('the live figure', () => {
	it('says how far the strings of a unison lie apart, and when they are together', () => {
		expect(unisonLive(undefined).word).toBe('Strike them together');
		expect(unisonLive({ apart: 1.24, limit: 0.5, isUnsure: false })).toMatchObject({
			...{ word: 'Bring them together', figure: '1.2', unit: 'cents apart', isWithin: false }
		});
		expect(unisonLive({ apart: 0.3, limit: 0.5, isUnsure: false })).toMatchObject({ word: 'Together', isWithin: true });
		expect(unisonLive({ apart: 0, limit: 0.1, isUnsure: true })).toMatchObject({
			word: 'Let it sound longer',
			unit: ''
		});
	});

	it('of a pair says beats and no cents, which string moves, and which way', () => {
		const begun = beginPair(KEYBOARD, body, 69)!;
		expect(begun.choice.sounders).toEqual(['69/middle', '69/left']);
		expect(pairLive(begun, 880)).toMatchObject({ word: 'Clean the pair', figure: '' });
		const moving = pairHeard(begun, strike(0.1, -2));
		// Two cents at 880 Hz: once a second.
		expect(pairLive(moving, 880)).toMatchObject({ word: 'Left up', figure: '0.1', unit: 'of 1.0 beats/s' });
		// Too far: it comes back the other way.
		expect(pairLive({ ...moving, apart: 5 }, 880).word).toBe('Left back down');
		const down = { ...moving, state: { ...moving.state, by: cents(-2) } };
		expect(pairLive({ ...down, apart: 5 }, 880).word).toBe('Left back up');
		expect(pairLive({ ...down, apart: 1 }, 880).word).toBe('Left down');
		expect(leverString(moving)).toBe('69/left');
		const matching = pairHeard(moving, strike(2, -1));
		expect([pairLive(matching, 880).word, leverString(matching)]).toEqual(['Bring the other to it', '69/middle']);
		expect(pairLive(pairHeard(matching, strike(0, 0.1)), 880)).toMatchObject({ word: 'It stands', isWithin: true });
		// One string has nothing to be measured against.
		expect(beginPair(KEYBOARD, body, 21)).toBeUndefined();
	});
});
