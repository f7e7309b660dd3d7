<script lang="ts">
	import type { SetTrial } from '@fendrel/core';
	import SetTrials from '$lib/charts/SetTrials.svelte';
	import { offOf } from './setWords';
	import { fixed } from '$lib/ui/format';

	interface Props {
		/** The question that the picture answers. */
		asks: string;
		trials: readonly SetTrial[];
		most: number;
		/** What lies below the line; not said where nothing does. */
		below?: string | undefined;
		/** Sizes and rates are off by a share of what was asked, all else by cents. */
		isShare?: boolean;
		/** Of a pair: where it stands in its work. */
		phase?: string | undefined;
	}
	let { asks, trials, most, below, isShare = false, phase }: Props = $props();
	const label = (off: number) => (isShare ? `${fixed(100 * off, 0)} %` : fixed(off, 2));
</script>

<section aria-label="Answers" data-phase={phase}>
	<h2 class="panel-heading">
		{asks}
		<span class="soft">{isShare ? '% of what was asked' : 'cents'}{below ? `; below the line ${below}` : ''}</span>
	</h2>
	<SetTrials offs={trials.map(offOf)} least={isShare ? 0.5 : 1} {most} {label} />
</section>
