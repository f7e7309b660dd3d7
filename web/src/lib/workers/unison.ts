import type { UnisonAnalysis, UnisonOptions } from '@fendrel/core';

/** The unison worker as the page sees it. */
export interface UnisonWorker {
	analyse(options: UnisonOptions): UnisonAnalysis;
}
