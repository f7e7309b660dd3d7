import type { SimulatedErrors } from '@fendrel/core';
import type { BearingWish } from '$lib/tuning/bearingPlan';
import { isGivenUp } from '$lib/workers/client';
import type { ComparisonProgress, RankedPlan } from '$lib/workers/bearing';
import { bearingWorker } from '$lib/workers/bearing.client';

/** Simulated tunings of each plan. */
export const RUNS = 10_000;

/** What an ear makes of the plan that is shown, and how the other schools would do. */
export class Comparison {
	errors = $state.raw<SimulatedErrors | undefined>();
	ranking = $state.raw<readonly RankedPlan[] | undefined>();
	/** Share of the work done; undefined when nothing is being worked out. */
	share = $state<number | undefined>();
	failed = $state<string | undefined>();
	private readonly worker = bearingWorker();

	/** Works it out anew. To be called within an effect; gives what ends it. */
	follow(wish: BearingWish, schools: readonly string[]): () => void {
		const stop = new AbortController();
		this.errors = this.ranking = this.failed = undefined;
		this.share = 0;
		void this.run(wish, schools, stop.signal);
		return () => stop.abort();
	}

	private async run(wish: BearingWish, schools: readonly string[], signal: AbortSignal): Promise<void> {
		const onProgress = ({ share, shown }: ComparisonProgress) => {
			this.share = share;
			if (shown) this.errors = shown;
		};
		try {
			this.ranking = await this.worker.run('compare', { wish, schools, runs: RUNS }, { signal, onProgress });
			this.share = undefined;
		} catch (fault) {
			if (isGivenUp(fault)) return;
			this.share = undefined;
			this.failed = `The errors could not be calculated: ${(fault as Error).message}`;
		}
	}

	close(): void {
		this.worker.close();
	}
}
