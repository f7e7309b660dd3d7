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

/** How hard the grand was struck: each from a package that only development needs. */
export const LAYERS = [6, 10, 12] as const;

/** Thirty strikes, every minor third from A0 to C8. */
export async function recordings(layer: (typeof LAYERS)[number] = 10): Promise<readonly Recording[]> {
	const packed = `@audio-samples/piano-velocity${layer}`;
	const folder = join(dirname(createRequire(import.meta.url).resolve(packed)), 'audio');
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
