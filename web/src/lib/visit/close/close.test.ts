import { BLANK_BRIEF, EMPTY_REPORT, reportOf, type Act, type Brief } from '@fendrel/core';
import { describe, expect, it } from 'vitest';
import type { ClosingGround } from './account';
import { adviceFor } from './givenAdvice';
import { nextChoices, nextVisit, tooEarly } from './nextVisit';

const NOW = new Date(2026, 6, 14, 12);

/** A visit of which only the brief, and what else was said, is known. */
function visitWith(brief: Partial<Brief>, said: readonly object[] = []): ClosingGround {
	const acts = [{ do: 'brief', brief: { ...BLANK_BRIEF, ...brief } }, ...said].map(
		(act, i) => ({ id: `a${i}`, device: 'a', counter: i, at: i, ...act }) as Act
	);
	return {
		visit: { startedAt: NOW, finishedAt: null },
		instrument: { kind: 'upright' },
		about: {},
		record: { report: { ...EMPTY_REPORT, ...reportOf(acts) } }
	} as unknown as ClosingGround;
}
const on = (ground: ClosingGround, moved = 3) => nextChoices(ground, { moved }, NOW).map((each) => each.on);

describe('the next visit', () => {
	it('falls due by use, or when the season that lies nearest to that has turned', () => {
		expect(on(visitWith({ played: 'daily' }))).toEqual(['2027-01-13', '2026-11-15']);
		expect(on(visitWith({ played: 'hardly' }))).toEqual(['2027-07-14', '2027-05-15']);
	});

	it('comes soon after a large raise, and often on a stage, whatever the season', () => {
		expect(on(visitWith({ played: 'daily' }), 120)).toEqual(['2026-08-04']);
		expect(on(visitWith({ purpose: 'stage' }))).toEqual(['2026-08-13']);
	});

	it('is the day that was agreed, where one was, and no day that is over', () => {
		const agreed = visitWith({}, [{ do: 'again', on: '2026-10-01', why: 'as agreed' }]);
		expect(nextVisit(agreed, { moved: 0 }, NOW).on).toBe('2026-10-01');
		expect([tooEarly('2026-07-12', agreed), tooEarly('2026-07-15', agreed)]).toEqual([true, false]);
	});
});

describe('advice', () => {
	const suits = (ground: ClosingGround, moved = 0) => adviceFor(ground, { moved }).suits.map(({ id }) => id);
	it('that was found to be needed comes first, the rest of the list after it', () => {
		const climate = (humidity: number) => ({ do: 'climate', temperature: 20, humidity, by: 'typed' });
		expect(suits(visitWith({ played: 'daily' }, [climate(31)]))).toEqual(['dryAir']);
		expect(suits(visitWith({ played: 'hardly' }, [climate(72)]))).toEqual(['dampAir', 'play']);
		expect(suits(visitWith({ played: 'daily' }, [climate(50)]), 120)).toEqual(['stillGives']);
		const { suits: asked, others } = adviceFor(visitWith({}), { moved: 0 });
		expect(asked).toEqual([]);
		expect(others.length).toBeGreaterThan(8);
	});
});
