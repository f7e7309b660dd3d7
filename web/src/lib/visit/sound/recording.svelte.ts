import type { StringReading, UnisonAnalysis } from '@fendrel/core';
import { isGivenUp } from '$lib/workers/client';
import type { RecordingProblem, RecordingProgress } from '$lib/workers/recording';
import { recordingWorker } from '$lib/workers/recording.client';
import { counted, lasting } from '$lib/ui/format';
import type { ListeningSetup } from '$lib/tuning/listeningSetup';

export interface HeardStrike {
	/** Seconds from the beginning of the recording. */
	readonly at: number;
	readonly reading: StringReading;
	readonly analysis: UnisonAnalysis | undefined;
}

const PROBLEMS: Record<Exclude<RecordingProblem, 'broken'>, string> = {
	unknown: 'This file cannot be read as sound. Record it as WAV or OGG.',
	empty: 'There is no sound in this file.',
	'too big': 'This file is larger than two gigabytes. Cut it into parts of an hour or less.',
	coarse:
		'This recording has fewer than 16,000 samples a second, so the upper partials are missing. Record it again at 44,100 or more.'
};

/** A recording that is listened to, as fast as it can be read. */
export class Recording {
	state = $state<'reading' | 'read' | 'failed'>('reading');
	share = $state(0);
	seconds = $state(0);
	strikes = $state.raw<readonly HeardStrike[]>([]);
	/** Strikes that were not one string each. */
	refused = $state(0);
	problem = $state<string | undefined>();
	private readonly worker = recordingWorker();

	constructor(
		readonly name: string,
		private readonly file: Blob,
		private readonly setup: Omit<ListeningSetup, 'sampleRate'>,
		/** Several strings of a note sounded together. */
		readonly open: boolean
	) {}

	async read(strings: number): Promise<void> {
		try {
			const job = { file: this.file, setup: this.setup, strings };
			const told = await this.worker.run('read', job, { onProgress: (progress) => this.follow(progress) });
			if (told === 'broken')
				this.problem = `The file breaks off after ${lasting(this.seconds)}. What came before was read.`;
			else if (told) this.fail(PROBLEMS[told]);
			else if (this.strikes.length === 0)
				this.fail(
					this.refused
						? `No single string could be read; ${counted(this.refused, 'strike')} held more than one note, or none.`
						: 'No strike was found in it. It may be silent or too soft.'
				);
			if (this.state === 'reading') this.state = 'read';
		} catch (fault) {
			if (!isGivenUp(fault)) this.fail('The file could not be read. It may have been moved or deleted.');
		} finally {
			this.worker.close();
		}
	}

	private follow({ share, seconds, found }: RecordingProgress): void {
		this.share = share;
		this.seconds = seconds;
		const strikes = found.flatMap((each) => ('reading' in each ? [each] : []));
		if (strikes.length) this.strikes = [...this.strikes, ...strikes];
		this.refused += found.length - strikes.length;
	}

	private fail(problem: string): void {
		this.problem = problem;
		this.state = 'failed';
	}

	/** Gives up reading. */
	close(): void {
		this.worker.close();
	}
}
