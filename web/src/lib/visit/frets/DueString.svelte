<script lang="ts">
	import TakeNotice from '../TakeNotice.svelte';
	import ToneFigure from '../ToneFigure.svelte';
	import type { StringBench } from './stringBench.svelte';
	import StringListening from './StringListening.svelte';

	interface Props {
		bench: StringBench;
		/** What to do now. */
		says: string;
		/** Within that it stands where it is to stand, in cents. */
		within?: number;
		/** Its target may be held by the loudspeaker. */
		holds?: boolean;
	}
	let { bench, says, within = 0, holds = true }: Props = $props();
	const due = $derived(bench.string);
	/** While it sounds the figure moves; else it is what its readings tell. */
	const off = $derived(bench.sounds ? bench.live?.off : due?.isRead ? due.off : bench.live?.off);
	const LOUDNESS = { least: 0.25, most: 3, step: 0.25 } as const;
</script>

<StringListening {bench} />
{#if due}
	<ToneFigure label="The string that is due" {off} {says} isMoving={bench.sounds} {within}>
		{#snippet name()}{due.name}, <b>{due.noteName}</b>{/snippet}
	</ToneFigure>
{/if}
<TakeNotice notice={bench.notice} />
{#if holds && bench.listening.state === 'on'}
	<div class="drone">
		<button type="button" class="choice" aria-pressed={bench.drones} onclick={() => bench.toggleDrone()}
			>{due ? `Drone on ${due.noteName}` : 'Drone'}</button
		>
		<label
			><span class="soft">as loud as you play</span>
			<input
				type="range"
				min={LOUDNESS.least}
				max={LOUDNESS.most}
				step={LOUDNESS.step}
				value={bench.loudness}
				aria-label="Loudness of the drone"
				onchange={(event) => bench.makeLoud(Number(event.currentTarget.value))}
			/></label
		>
	</div>
{/if}

<style>
	input[type='range'] {
		accent-color: var(--felt);
	}
	.drone {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem 1rem;
		align-items: center;
	}
	label {
		display: flex;
		gap: 0.6rem;
		align-items: center;
		min-height: 44px;
	}
</style>
