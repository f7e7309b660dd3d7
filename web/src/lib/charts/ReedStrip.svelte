<script lang="ts">
	import type { Snippet } from 'svelte';
	import GroupStrip from './GroupStrip.svelte';
	import type { ShownReed } from './reedPlates';

	interface Props {
		reeds: readonly (ShownReed & { readonly name: string; readonly noteName: string })[];
		current?: number;
		onselect?: (group: number) => void;
		hint?: Snippet;
	}
	let { reeds, ...rest }: Props = $props();
	const ROLES = { own: '', slide: 's', auxiliary: 'a', second: '2' } as const;
	const columns = $derived(
		reeds.map(({ group, off, state, plate, hole, role, name, noteName }) => ({
			...{ group, off, state, said: `${name}, ${noteName}` },
			short: `${plate === 'blow' ? 'b' : 'd'}${hole}${ROLES[role]}`
		}))
	);
</script>

<GroupStrip
	{columns}
	heading="Cents from target, reed by reed: blow, then draw; filled: set, dashed: not read"
	label="All reeds"
	{...rest}
/>
