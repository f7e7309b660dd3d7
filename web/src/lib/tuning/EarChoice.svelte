<script lang="ts">
	import { EARS, type EarName } from './ears';

	interface Props {
		ear: EarName;
		/** What it is called, where nothing on screen says so. */
		label?: string;
		disabled: boolean;
		onchoose: (ear: EarName) => void;
	}
	let { ear, label, disabled, onchoose }: Props = $props();
</script>

<select
	class="select fit"
	aria-label={label}
	{disabled}
	value={ear}
	onchange={(event) => onchoose(event.currentTarget.value as EarName)}
>
	{#each Object.entries(EARS) as [name, { name: text, floor }] (name)}<option value={name}>{text}, ±{floor}</option
		>{/each}
</select>
