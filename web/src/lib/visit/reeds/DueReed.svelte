<script lang="ts">
	import type { ReedVisit } from '../reedVisit.svelte';
	import KeyChanged from './KeyChanged.svelte';
	import type { ReedBench } from './reedBench.svelte';
	import ToneFigure from '../ToneFigure.svelte';
	import { degreeWords } from './reedWords';
	import ReedListening from './ReedListening.svelte';
	import TakeNotice from '../TakeNotice.svelte';

	interface Props {
		open: ReedVisit;
		bench: ReedBench;
		/** What to do now. */
		says: string;
		/** Within that it stands where it is to stand, in cents. */
		within?: number;
	}
	let { open, bench, says, within = 0 }: Props = $props();
	const due = $derived(bench.reed);
	/** While it sounds the figure moves; else it is what its readings tell. */
	const off = $derived(bench.sounds ? bench.live?.off : (due?.off ?? bench.live?.off));
</script>

<ReedListening {open} listening={bench.listening} />
<KeyChanged {open} />
{#if due}
	<ToneFigure label="The reed that is due" {off} {says} isMoving={bench.sounds} {within}>
		{#snippet name()}{due.name}, <b>{due.noteName}</b>, {degreeWords(due)}{/snippet}
	</ToneFigure>
{/if}
<TakeNotice notice={bench.notice} />
