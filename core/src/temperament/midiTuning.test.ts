import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readTuningMessage } from '../../fixtures/readTuningMessage';
import { bulkTuningDump, midiFileOf, noteTuningChange } from './midiTuning';

const equal = Array.from({ length: 128 }, (_, key) => key);
/** Half a step of the standard's 14-bit fraction, in semitones. */
const HALF_STEP = 0.5 / 16384 + 1e-12;

describe('MIDI tuning messages', () => {
	it('come back within half a step of what went in', () => {
		const pitch = fc.double({ min: 0, max: 127.9, noNaN: true });
		fc.assert(
			fc.property(fc.array(pitch, { minLength: 128, maxLength: 128 }), (keys) => {
				const bulk = readTuningMessage(bulkTuningDump(keys, 'Vallotti'))!;
				keys.forEach((key, i) => expect(Math.abs(bulk.get(i)! - key)).toBeLessThanOrEqual(HALF_STEP));
				const some = new Map(keys.slice(0, 20).map((key, i) => [i + 40, key]));
				const notes = readTuningMessage(noteTuningChange(some))!;
				for (const [key, value] of some) expect(Math.abs(notes.get(key)! - value)).toBeLessThanOrEqual(HALF_STEP);
			}),
			{ numRuns: 30 }
		);
	});

	it('have the standard form: 408 bytes, A4 at 45 00 00, a checksum', () => {
		const dump = bulkTuningDump(equal, 'Tempérament ordinaire', 3);
		expect(dump).toHaveLength(408);
		expect([...dump.slice(0, 6)]).toEqual([0xf0, 0x7e, 0x7f, 0x08, 0x01, 3]);
		expect(String.fromCharCode(...dump.slice(6, 22))).toBe('Temperament ordi');
		expect([...dump.slice(22 + 3 * 69, 25 + 3 * 69)]).toEqual([0x45, 0, 0]);
		expect(dump.slice(1, -1).every((byte) => byte < 128)).toBe(true);
		const broken = Uint8Array.from(dump);
		broken[100] ^= 1;
		expect(readTuningMessage(broken)).toBeUndefined();
		expect(readTuningMessage(Uint8Array.from([1, 2, 3]))).toBeUndefined();
	});

	it('stand in a MIDI file whose lengths add up', () => {
		const message = bulkTuningDump(equal, 'Equal');
		const file = midiFileOf([message]);
		const track = new DataView(file.buffer).getUint32(18);
		expect(file.length).toBe(22 + track);
		// Delta 1, F0, length 407 as 0x83 0x17, then the message without its F0.
		expect([...file.slice(22, 26)]).toEqual([1, 0xf0, 0x83, 0x17]);
		expect([...file.slice(26, 26 + 407)]).toEqual([...message.slice(1)]);
		expect([...file.slice(-4)]).toEqual([0, 0xff, 0x2f, 0]);
	});

	it('refuse what is no tuning', () => {
		expect(() => bulkTuningDump(equal.slice(1), 'x')).toThrow('127 keys');
		expect(() =>
			bulkTuningDump(
				equal.map(() => Number.NaN),
				'x'
			)
		).toThrow('NaN');
		expect(() => bulkTuningDump(equal, 'x', 128)).toThrow('128');
		expect(() => noteTuningChange(new Map())).toThrow('0 keys');
	});
});
