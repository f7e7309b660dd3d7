<script lang="ts">
	import type { Snippet } from 'svelte';
	import GroupStrip from '$lib/charts/GroupStrip.svelte';
	import type { FretVisit } from '../fretVisit.svelte';
	import { GuitarVisit } from '../guitarVisit.svelte';
	import { shortName } from './fretWords';

	interface Props {
		open: FretVisit | GuitarVisit;
		current?: number;
		onselect?: (group: number) => void;
		hint?: Snippet;
	}
	let { open, ...rest }: Props = $props();
	const columns = $derived(
		open.strings.map(({ group, off, isRead, isSet, name, gives }) => ({
			...{ group, off: isRead ? off : undefined, short: shortName(group), said: `${name}, ${gives}` },
			state: isSet ? ('set' as const) : isRead ? ('read' as const) : ('unread' as const)
		}))
	);
</script>

<GroupStrip
	{columns}
	heading="Cents from target: open strings from the highest{open instanceof GuitarVisit
		? ''
		: ', then fret by fret'}; filled: set, dashed: not read"
	label="All strings, open and stopped"
	{...rest}
/>
