<script lang="ts">
	import { AGAIN_LINES, type Draft } from './draft';
	import type { SettingLines } from './lines';

	let { draft, lines }: { draft: Draft; lines: SettingLines } = $props();
</script>

<h2><b>When again?</b> <span>months after a visit</span></h2>
{#each AGAIN_LINES as { id, name } (id)}
	<label class="line"
		>{name}
		<input
			class="input mono"
			inputmode="decimal"
			class:differs={lines.differs(`again.${id}`)}
			data-setting="again.{id}"
			aria-label="{name}: months"
			bind:value={draft.again[id]}
		/></label
	>
{/each}

<style>
	.line {
		display: flex;
		justify-content: space-between;
		align-items: center;
		padding: 0.15rem 0;
	}
	.input {
		min-height: 44px;
		width: 5.5rem;
		text-align: right;
	}
</style>
