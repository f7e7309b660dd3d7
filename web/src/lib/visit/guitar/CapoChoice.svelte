<script lang="ts">
	import type { GuitarVisit } from '../guitarVisit.svelte';

	interface Props {
		open: GuitarVisit;
		onchange?: () => void;
	}
	let { open, onchange }: Props = $props();
	/** Nobody plays above it with much left to stop. */
	const HIGHEST = 9;
	const places = $derived(Array.from({ length: Math.min(HIGHEST, open.body.frets - 1) }, (_, i) => i + 1));
	function choose(capo: number) {
		open.plan({ capo });
		onchange?.();
	}
</script>

<label
	><span>Capo while one tunes</span>
	<select class="select" value={open.offsets.capo} onchange={(event) => choose(Number(event.currentTarget.value))}>
		<option value={0}>off</option>
		{#each places as fret (fret)}<option value={fret}>at fret {fret}</option>{/each}
	</select></label
>

<style>
	label {
		display: grid;
		grid-template-columns: 11rem minmax(0, 10rem);
		align-items: center;
	}
	span {
		font-weight: 600;
	}
</style>
