import type { Attachment } from '@fendrel/core';
import type { Track } from '$lib/audio/player.svelte';
import type { VisitRecord } from './visitRecord.svelte';

/** When the same chords are recorded. */
export const CHORD_MOMENTS = ['arrival', 'leaving'] as const;
export type ChordMoment = (typeof CHORD_MOMENTS)[number];

/** What recordings are attached to: no part of the instrument. */
const PART: Record<ChordMoment, string> = { arrival: 'chordsArrival', leaving: 'chordsLeaving' };
export const chordPart = (moment: ChordMoment) => PART[moment];

/** The last recording of a moment; undefined before there is one. */
export function chordsAt({ report }: Pick<VisitRecord, 'report'>, moment: ChordMoment): Attachment | undefined {
	const all = [...report.arrival.attachments.values()];
	return all.filter(({ part, kind }) => part === PART[moment] && kind === 'sound').at(-1);
}

/** A recording as it is played: one channel. @throws when the browser cannot read it */
export async function decoded(bytes: Blob, context: BaseAudioContext): Promise<Track> {
	const sound = await context.decodeAudioData(await bytes.arrayBuffer());
	return { samples: sound.getChannelData(0).slice(), sampleRate: sound.sampleRate };
}
