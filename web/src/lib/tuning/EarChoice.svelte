<script lang="ts">
	import { EARS, type EarName } from './ears';

	let { ear, disabled, onchoose }: { ear: EarName; disabled: boolean; onchoose: (ear: EarName) => void } = $props();
</script>

<select
	class="select fit"
	aria-label="Ear"
	{disabled}
	value={ear}
	onchange={(event) => onchoose(event.currentTarget.value as EarName)}
>
	{#each Object.entries(EARS) as [name, { name: text, floor }] (name)}<option value={name}>{text}, ±{floor}</option
		>{/each}
</select>
