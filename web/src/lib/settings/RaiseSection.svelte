<script lang="ts">
	import { RAISE_ORDERS, RAISE_SCHOOLS } from '@fendrel/core';
	import type { Draft } from './draft';
	import type { SettingLines } from './lines';
	import NoteRuns from './NoteRuns.svelte';

	let { draft, lines }: { draft: Draft; lines: SettingLines } = $props();
</script>

<section aria-label="How is a raise made?">
	<h2><b>How is a raise made?</b></h2>
	<label
		>By
		<select
			class="select"
			class:differs={lines.differs('raise.school')}
			data-setting="raise.school"
			bind:value={draft.raise.school}
		>
			{#each RAISE_SCHOOLS as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</select></label
	>
	<p class="soft why">{RAISE_SCHOOLS.find(({ id }) => id === draft.raise.school)?.why}</p>
	<label
		>Order
		<select
			class="select"
			class:differs={lines.differs('raise.order')}
			data-setting="raise.order"
			bind:value={draft.raise.order}
		>
			{#each RAISE_ORDERS as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</select></label
	>
	<p class="soft why">{RAISE_ORDERS.find(({ id }) => id === draft.raise.order)?.why}</p>
	{#if draft.raise.order === 'own'}
		<NoteRuns runs={draft.raise.own ?? []} onchange={(own) => (draft.raise = { ...draft.raise, own })} />
	{/if}
	<label
		>At most
		<select
			class="select"
			class:differs={lines.differs('raise.cap')}
			data-setting="raise.cap"
			bind:value={draft.raise.cap}
		>
			{#each [10, 15, 20, 25, 30] as cap (cap)}<option value={cap}>{cap} cents above target</option>{/each}
		</select></label
	>
</section>

<style>
	.why {
		font-size: 0.9rem;
		line-height: 1.35;
		margin: 0.2rem 0 0.6rem;
	}
</style>
