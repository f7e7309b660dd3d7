import { isGivenUp } from '$lib/workers/client';
import type { CountsAnswer, CountsJob, Finding } from '$lib/workers/proving';
import { provingWorker } from '$lib/workers/proving.client';
import { pairName } from '$lib/ui/beats';
import { refusalWords, verdictOf } from './countWords';

/** What is worked out from counts while they are being typed. */
export class Analysis {
	answer = $state.raw<CountsAnswer | undefined>();
	/** Which of the octaves that fit is shown. */
	shown = $state(0);
	problem = $state<string | undefined>();
	readonly found = $derived(this.answer?.kind === 'found' ? this.answer : undefined);
	readonly finding: Finding | undefined = $derived(this.found?.findings[this.shown] ?? this.found?.findings[0]);
	readonly several = $derived(!!this.found && (this.found.findings.length > 1 || this.found.more));
	/** Counts whose sense decides between the octaves that fit. */
	readonly undecided: readonly string[] = $derived.by(() => {
		const { found } = this;
		return (found?.findings[0].solution.residuals ?? [])
			.filter((each, i) => found!.findings.some(({ solution }) => solution.residuals[i].sense !== each.sense))
			.map(({ count }) => pairName(count));
	});
	/** Counts that cannot be right, as "lower-upper". */
	readonly marked: ReadonlySet<string> = $derived.by(() => {
		const { finding } = this;
		return new Set(
			finding?.solution.contradictions.map(({ index }) => {
				const { lower, upper } = finding.solution.residuals[index].count;
				return `${lower}-${upper}`;
			})
		);
	});
	private readonly worker = provingWorker();

	/** Works it out anew. To be called within an effect; gives what ends it. */
	follow(job: CountsJob): () => void {
		const stop = new AbortController();
		void this.run(job, stop.signal);
		return () => stop.abort();
	}

	private async run(job: CountsJob, signal: AbortSignal): Promise<void> {
		try {
			this.answer = await this.worker.run('fromCounts', job, { signal });
			this.shown = 0;
			this.problem = undefined;
		} catch (fault) {
			if (!isGivenUp(fault)) this.problem = `The calculation failed: ${(fault as Error).message}`;
		}
	}

	/** One sentence that says what to do. */
	verdict(temperament: string, tolerance: number): string {
		const { answer, found, finding } = this;
		if (answer?.kind === 'refused') return refusalWords(answer.why).verdict;
		if (!found || !finding) return 'Working …';
		if (!this.several) return verdictOf(finding, temperament, tolerance);
		return `${found.findings.length}${found.more ? ' or more' : ''} octaves fit these counts, so none is certain.`;
	}

	close(): void {
		this.worker.close();
	}
}
