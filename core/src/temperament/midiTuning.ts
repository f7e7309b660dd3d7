/**
 * MIDI Tuning Standard (MIDI Manufacturers Association, RP-020 and CA-020/021): every key as a semitone
 * and a 14-bit fraction of one, so in steps of 100/2^14 = 0.0061 cent.
 */
const STEPS = 1 << 14;
const SYSEX = 0xf0;
const END = 0xf7;
const NON_REALTIME = 0x7e;
const REALTIME = 0x7f;
const ALL_DEVICES = 0x7f;
const TUNING = 0x08;
const BULK_REPLY = 0x01;
const NOTE_CHANGE = 0x02;

/** A key's pitch as three data bytes; the highest one that is not "no change" at most. */
function pitchBytes(semitones: number): readonly [number, number, number] {
	const steps = Math.min(Math.max(Math.round(semitones * STEPS), 0), 127 * STEPS + STEPS - 2);
	return [Math.floor(steps / STEPS), (steps >> 7) & 0x7f, steps & 0x7f];
}

function checkKeys(keys: readonly number[]): void {
	if (keys.length !== 128) throw new RangeError(`midiTuning: ${keys.length} keys given, 128 needed`);
	const bad = keys.findIndex((key) => !Number.isFinite(key));
	if (bad >= 0) throw new RangeError(`midiTuning: the pitch of key ${bad} is ${keys[bad]}`);
}

/**
 * Bulk tuning dump reply: all 128 keys under a name of 16 characters (ASCII; others become "?").
 * @param keys pitch of each key in semitones, where 69 is 440 Hz
 * @throws RangeError unless 128 finite pitches are given and the program lies in 0 to 127
 */
export function bulkTuningDump(keys: readonly number[], name: string, program = 0): Uint8Array<ArrayBuffer> {
	checkKeys(keys);
	if (!Number.isInteger(program) || program < 0 || program > 127)
		throw new RangeError(`bulkTuningDump: program ${program} is not 0 to 127`);
	const letters = Array.from({ length: 16 }, (_, i) => {
		const code =
			name
				.normalize('NFD')
				.replace(/[\u0300-\u036f]/g, '')
				.charCodeAt(i) || 32;
		return code < 128 ? code : 63;
	});
	const body = [NON_REALTIME, ALL_DEVICES, TUNING, BULK_REPLY, program, ...letters, ...keys.flatMap(pitchBytes)];
	// CA-020: the exclusive or of every byte between F0 and the checksum.
	const checksum = body.reduce((sum, byte) => sum ^ byte, 0) & 0x7f;
	return Uint8Array.from([SYSEX, ...body, checksum, END]);
}

/** Single-note tuning changes, in real time: one message for all the keys given. */
export function noteTuningChange(keys: ReadonlyMap<number, number>, program = 0): Uint8Array<ArrayBuffer> {
	if (keys.size < 1 || keys.size > 127)
		throw new RangeError(`noteTuningChange: ${keys.size} keys given, 1 to 127 fit in a message`);
	const changes = [...keys].flatMap(([key, pitch]) => [key, ...pitchBytes(pitch)]);
	return Uint8Array.from([SYSEX, REALTIME, ALL_DEVICES, TUNING, NOTE_CHANGE, program, keys.size, ...changes, END]);
}

/** A Standard MIDI File (format 0) that sends the messages one after another at its start. */
export function midiFileOf(messages: readonly Uint8Array[]): Uint8Array<ArrayBuffer> {
	const track = messages.flatMap((message) => {
		// In a file the length follows F0, F7 closes it; a tick apart, so that slow receivers keep up.
		const rest = message.subarray(1);
		return [1, SYSEX, ...variableLength(rest.length), ...rest];
	});
	track.push(0, 0xff, 0x2f, 0);
	const header = [...ascii('MThd'), 0, 0, 0, 6, 0, 0, 0, 1, 0, 96];
	return Uint8Array.from([...header, ...ascii('MTrk'), ...big32(track.length), ...track]);
}

const ascii = (text: string) => [...text].map((letter) => letter.charCodeAt(0));
const big32 = (value: number) => [24, 16, 8, 0].map((shift) => (value >>> shift) & 0xff);

function variableLength(value: number): number[] {
	const bytes = [value & 0x7f];
	for (let rest = value >> 7; rest > 0; rest >>= 7) bytes.unshift((rest & 0x7f) | 0x80);
	return bytes;
}
