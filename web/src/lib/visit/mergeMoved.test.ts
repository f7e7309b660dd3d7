import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mergeMoved } from './mergeMoved';

const at = (pin: number) => [{ pin, speaking: pin }];

describe('strings that were moved here and elsewhere', () => {
	it('stay where they were moved here when what is told is older', () => {
		expect(mergeMoved({ 69: at(-5) }, { 69: 2000 }, { 69: at(0), 60: at(3) }, { 69: 1000, 60: 500 })).toEqual({
			69: at(-5),
			60: at(3)
		});
	});

	it('follow another device that moved them since', () => {
		expect(mergeMoved({ 69: at(-5) }, { 69: 2000 }, { 69: at(1) }, { 69: 3000 })).toEqual({ 69: at(1) });
		expect(mergeMoved({ 69: at(-5) }, {}, { 69: at(1) }, { 69: 3000 })).toEqual({ 69: at(1) });
		expect(mergeMoved({ 69: at(-5) }, {}, { 69: at(1) }, {})).toEqual({ 69: at(1) });
	});

	it('end where they were moved last, in whatever order that is told', () => {
		const move = fc.record({
			group: fc.constantFrom('60', '61'),
			at: fc.nat(50),
			pin: fc.integer({ min: -9, max: 9 })
		});
		fc.assert(
			fc.property(fc.uniqueArray(move, { selector: ({ at }) => at, maxLength: 8 }), (moves) => {
				let own: Record<string, ReturnType<typeof at>> = {};
				let ownAt: Record<string, number> = {};
				for (const { group, at: when, pin } of moves) {
					const merged = mergeMoved(own, ownAt, { [group]: at(pin) }, { [group]: when });
					if (merged[group] !== own[group]) ownAt = { ...ownAt, [group]: when };
					own = merged;
				}
				for (const group of ['60', '61']) {
					const last = moves.filter((each) => each.group === group).sort((a, b) => b.at - a.at)[0];
					expect(own[group]).toEqual(last && at(last.pin));
				}
			})
		);
	});
});
