<script lang="ts">
	import StringLanes from '$lib/charts/StringLanes.svelte';
	import type { GuitarVisit } from '../guitarVisit.svelte';
	import type { GuitarBench } from './guitarBench.svelte';

	interface Props {
		open: GuitarVisit;
		bench: GuitarBench;
		height?: number;
	}
	let { open, bench, height = 290 }: Props = $props();
	const REACH = 20;
	const lanes = $derived(
		open.strings.map(({ group, noteName: name, off, isSet }) => {
			const isDue = group === bench.due;
			const at = isDue && bench.sounds && bench.live ? bench.live.off : off;
			return {
				...{ id: group, name, isDue, isSet },
				marks: at === undefined ? [] : [{ cents: at, shape: 'dot' as const, said: 'stands at' }]
			};
		})
	);
</script>

<StringLanes
	{lanes}
	range={[-REACH, REACH]}
	within={open.visit.tolerance}
	{height}
	axis="cents from its target"
	label="Where each string stands"
	onchoose={(group) => bench.goTo(group)}
/>
