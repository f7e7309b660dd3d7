import type { Refusal } from '@fendrel/core';

/** Why a strike was not read, and what to do. */
export const REFUSALS: Record<Refusal, string> = {
	'no note': 'No single string stood out. Strike the key again, a little firmer.',
	'two notes': 'Two notes sounded at once. Mute the other one and strike again.',
	unsteady: 'The pitch wandered, as a voice does. Wait for quiet and strike again.',
	'steady tone': 'A steady tone, no string. Strike when it has stopped.',
	interrupted: 'The sound broke off for a moment. Strike again.'
};

/** What was no strike at all is said once and goes by itself: nobody needs to answer it. */
export const PASSING: ReadonlySet<Refusal> = new Set<Refusal>(['unsteady', 'steady tone']);
