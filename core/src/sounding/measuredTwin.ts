import { habitAt, USUAL_HABITS } from '../listening/habits';
import type { StringReading } from '../listening/reading';
import type { Random } from '../numeric/random';
import { decaySeconds } from '../strings/decay';
import { partialHz } from '../strings/stiffString';
import { cents, hz } from '../units/quantity';
import { twinString, type InstrumentTwin } from './simulatedInstrument';

/** What the listener would make of a twin's string, without making the sound: its usual errors included. */
const PITCH_ERROR_CENTS = 0.03;
const B_ERROR = 0.01;
const MOST_PARTIALS = 10;
const HIGHEST_HZ = 9000;

/** @param pitch where the string stands, in cents from equal at 440 */
export function measureTwin(twin: InstrumentTwin, note: number, pitch: number, random: Random): StringReading {
	const string = twinString(twin, note, pitch + PITCH_ERROR_CENTS * random.normal());
	const b = string.inharmonicity * (1 + B_ERROR * random.normal());
	const partials = [];
	for (let partial = 1; partial <= MOST_PARTIALS; partial++) {
		const frequency = partialHz(string, partial);
		if (frequency > HIGHEST_HZ && partial > 1) break;
		const error = frequency * 2e-5;
		const level = -24 - 3 * (partial - 1) - (frequency < 60 ? 14 : 0) + 2 * random.normal();
		partials.push({
			partial,
			frequency: hz(frequency + error * random.normal()),
			error,
			level,
			decay: decaySeconds(note) / (1 + 0.07 * (partial - 1))
		});
	}
	const enough = partials.length > 2;
	return {
		note,
		struckAt: 0,
		moment: habitAt(USUAL_HABITS, note).moment,
		pitch: partialHz(string, 1),
		pitchError: cents(PITCH_ERROR_CENTS),
		flexiblePitch: string.flexiblePitch,
		inharmonicity: enough ? b : undefined,
		inharmonicityError: enough ? B_ERROR * b : undefined,
		partials
	};
}
