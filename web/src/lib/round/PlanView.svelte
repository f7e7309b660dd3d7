<script lang="ts">
	import { untrack } from 'svelte';
	import type { DayAsked } from '@fendrel/core';
	import HouseTable from './HouseTable.svelte';
	import PlannedDay from './PlannedDay.svelte';
	import PlannedTerm from './PlannedTerm.svelte';
	import type { RoundInstrument } from './round';

	interface Props {
		instruments: readonly RoundInstrument[];
		places: readonly { readonly id: string; readonly name: string; readonly town: string }[];
		/** Row and column 0 are where one sets out; then the places in their order. */
		ways: DayAsked['ways'];
		people: readonly { readonly id: string; readonly name: string }[];
		me: string;
		now: number;
		/** The day that is planned; undefined: today. */
		on: string | undefined;
		onday: (on: string) => void;
		onbooked: (on: string) => void;
	}
	let { instruments, places, ways, people, me, now, on, onday, onbooked }: Props = $props();
	let house = $state('');
	let userId = $state(untrack(() => me));
	const VIEWS = [
		['day', 'A day'],
		['term', 'A term in one house']
	] as const;
	let view = $state<(typeof VIEWS)[number][0]>('day');
</script>

<div class="head">
	<div role="group" aria-label="What is planned">
		{#each VIEWS as [id, name] (id)}
			<button type="button" class="choice" aria-pressed={view === id} onclick={() => (view = id)}>{name}</button>
		{/each}
	</div>
	<label class="who"
		><span class="soft">for</span>
		<select class="select" bind:value={userId}>
			{#each people as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</select></label
	>
</div>
{#if view === 'day'}
	<PlannedDay {instruments} {places} {ways} {userId} {now} {on} {onday} {onbooked} />
	<HouseTable {instruments} {places} {now} onchoose={(id) => ([house, view] = [id, 'term'])} />
{:else}
	<PlannedTerm {instruments} {places} {userId} {now} bind:house {onbooked} />
{/if}

<style>
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem 2rem;
		align-items: center;
		margin-bottom: 1rem;
	}
	.who {
		display: flex;
		gap: 0.6rem;
		align-items: center;
	}
</style>
