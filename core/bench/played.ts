import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import wavefile from 'wavefile';

/** Instruments of a sound font, by their number in General MIDI. */
export const PLAYED = {
	harmonica: 22,
	reedOrgan: 20,
	accordion: 21,
	violin: 40,
	viola: 41,
	cello: 42,
	nylonGuitar: 24,
	steelGuitar: 25,
	harpsichord: 6
} as const;
export type Played = keyof typeof PLAYED;

const FONT = '/usr/share/sounds/sf2/FluidR3_GM.sf2';
export const PLAYED_RATE = 44_100;
const SECONDS = 5;
const TICKS = 480;

/** A standard MIDI file with one note of some seconds (120 beats a minute). */
function oneNote(program: number, note: number): Buffer {
	const long = SECONDS * 2 * TICKS;
	const varying = [0x80 | (long >> 14), 0x80 | ((long >> 7) & 0x7f), long & 0x7f];
	const track = [0, 0xc0, program, 0, 0x90, note, 90, ...varying, 0x80, note, 0, 0x83, 0x60, 0xff, 0x2f, 0];
	const head = [...Buffer.from('MThd'), 0, 0, 0, 6, 0, 0, 0, 1, TICKS >> 8, TICKS & 0xff];
	return Buffer.from([...head, ...Buffer.from('MTrk'), 0, 0, track.length >> 8, track.length & 0xff, ...track]);
}

/** A recorded note, as a synthesiser of samples plays it: dry, without chorus. */
export function playNote(instrument: Played, note: number): Float32Array {
	const folder = mkdtempSync(join(tmpdir(), 'fendrel-played-'));
	try {
		const [midi, wav] = [join(folder, 'note.mid'), join(folder, 'note.wav')];
		writeFileSync(midi, oneNote(PLAYED[instrument], note));
		execFileSync('fluidsynth', ['-ni', '-q', '-R', '0', '-C', '0', '-r', String(PLAYED_RATE), '-F', wav, FONT, midi], {
			stdio: 'ignore'
		});
		const file = new wavefile.WaveFile(readFileSync(wav));
		file.toBitDepth('32f');
		const samples = file.getSamples(false, Float32Array) as unknown as Float32Array[] | Float32Array;
		return Array.isArray(samples) ? samples[0] : samples;
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}

/** Resampled by cents that may change while it sounds: the pitch of a recording is moved exactly. */
export function bent(sound: Float32Array, centsAt: (seconds: number) => number): Float32Array {
	const out = new Float32Array(sound.length);
	let at = 0;
	for (let i = 0; i < out.length; i++) {
		const k = Math.floor(at);
		if (k + 2 >= sound.length) break;
		const share = at - k;
		// Four points of a cubic (Catmull and Rom 1974): images of harmonics lie below the noise that is added.
		const [a, b, c, d] = [sound[Math.max(0, k - 1)], sound[k], sound[k + 1], sound[k + 2]];
		out[i] = b + 0.5 * share * (c - a + share * (2 * a - 5 * b + 4 * c - d + share * (3 * (b - c) + d - a)));
		at += 2 ** (centsAt(i / PLAYED_RATE) / 1200);
	}
	return out;
}
