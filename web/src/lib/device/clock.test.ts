import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DeviceClock } from './clock';

/** A device's wall clock, which somebody sets, and the time that really passes. */
function setting() {
	let now = 1_000_000;
	let off = 0;
	const clock = new DeviceClock(
		() => now + off,
		() => now
	);
	return {
		clock,
		pass: (ms: number) => void (now += ms),
		set: (to: number) => void (off = to),
		/** The server's clock is right. */
		measure: (trip = 20) => {
			now += trip;
			return clock.measure(now - trip / 2, trip);
		},
		now: () => now
	};
}

describe('the clock of a device', () => {
	it('counts what happens, and never falls', () => {
		const { clock, set } = setting();
		const first = clock.stamp();
		set(-1500);
		const second = clock.stamp();
		expect(second.counter).toBe(first.counter + 1);
		expect(second.at).toBeGreaterThanOrEqual(first.at);
		expect(second.device).toBe(first.device);
	});

	it('becomes another device when it is set, so that one difference holds for all that one has made', () => {
		const { clock, set, measure } = setting();
		expect(measure()).toBe(0);
		const before = clock.stamp();
		set(-365 * 86_400_000);
		const after = clock.stamp();
		expect(after.device).not.toBe(before.device);
		expect(after.counter).toBe(1);
		expect(measure()).toBe(365 * 86_400_000);
		expect(clock.placed(after.device, after.at)).toBe(before.at);
		expect(clock.placed(before.device, before.at)).toBe(before.at);
	});

	it('takes the quickest answer, which says it best', () => {
		const { clock, now } = setting();
		expect(clock.measure(now() + 500, 400)).toBe(700);
		expect(clock.measure(now() + 60, 20)).toBe(70);
		expect(clock.measure(now() + 900, 800)).toBe(70);
		expect(clock.offsets.get(clock.name)).toBe(70);
	});

	it('however it is set: what was made stands within the trip of where it happened', () => {
		const steps = fc.array(
			fc.record({
				pass: fc.integer({ min: 0, max: 600_000 }),
				set: fc.option(fc.integer({ min: -4e10, max: 4e10 }), { nil: undefined }),
				trip: fc.integer({ min: 0, max: 3000 })
			}),
			{ minLength: 1, maxLength: 30 }
		);
		fc.assert(
			fc.property(steps, (all) => {
				const { clock, pass, set, measure, now } = setting();
				const made: { readonly stamp: ReturnType<DeviceClock['stamp']>; readonly truly: number }[] = [];
				for (const step of all) {
					pass(step.pass);
					if (step.set !== undefined) set(step.set);
					made.push({ stamp: clock.stamp(), truly: now() });
					measure(step.trip);
				}
				for (const { stamp, truly } of made)
					// A clock may be set by two seconds either way without becoming another one; half a trip is not known.
					expect(Math.abs(clock.placed(stamp.device, stamp.at) - truly)).toBeLessThanOrEqual(5500);
				const names = new Set(made.map(({ stamp }) => `${stamp.device} ${stamp.counter}`));
				expect(names.size).toBe(made.length);
			})
		);
	});
});
