<script lang="ts" generics="Chosen extends EarName | typeof PRACTISED">
	import type { Ear } from '@fendrel/core';
	import { EARS, PRACTISED, type EarName } from './ears';
	import { fixed } from '$lib/ui/format';

	interface Props {
		ear: Chosen;
		/** The ear as practised, where one has been taken over. */
		mine?: Ear;
		/** What it is called, where nothing on screen says so. */
		label?: string;
		onchoose: (ear: Chosen) => void;
	}
	let { ear, mine, label, onchoose }: Props = $props();
</script>

<select
	class="select fit"
	aria-label={label}
	value={ear}
	onchange={(event) => onchoose(event.currentTarget.value as Chosen)}
>
	{#each Object.entries(EARS) as [name, { name: text, floor }] (name)}<option value={name}>{text}, ±{floor}</option
		>{/each}
	{#if mine}<option value={PRACTISED}>as practised, ±{fixed(mine.floor, 2)}</option>{/if}
</select>
