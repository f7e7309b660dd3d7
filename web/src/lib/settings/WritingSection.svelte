<script lang="ts">
	import type { Draft } from './draft';
	import type { SettingLines } from './lines';
	import { WRITING_CHOICES } from './writingChoices';

	let { draft, lines }: { draft: Draft; lines: SettingLines } = $props();
</script>

<section aria-label="How is it written?">
	<h2><b>How is it written?</b> <span>on every page and paper; files keep one way for all</span></h2>
	<div>
		{#each WRITING_CHOICES as { id, name, ways } (id)}
			<label
				>{name}
				<select
					class="select"
					class:differs={lines.differs(`writing.${id}`)}
					data-setting="writing.{id}"
					aria-label={name}
					bind:value={draft.writing[id]}
				>
					{#each ways as way (way.id)}<option value={way.id}>{way.name}</option>{/each}
				</select></label
			>
		{/each}
	</div>
</section>

<style>
	div {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
		gap: 0.5rem 2.5rem;
	}
</style>
