<script lang="ts">
	import { untrack } from 'svelte';
	import { addWeeks, format } from 'date-fns';
	import { fillTime } from '@fendrel/core';
	import { counted } from '$lib/ui/format';
	import { bookAll } from './book';
	import { termOf, waitingIn } from './dayPlan';
	import type { RoundInstrument } from './round';

	interface Props {
		instruments: readonly RoundInstrument[];
		places: readonly { readonly id: string; readonly name: string; readonly town: string }[];
		userId: string;
		now: number;
		house: string;
		onbooked: (on: string) => void;
	}
	let { instruments, places, userId, now, house = $bindable(), onbooked }: Props = $props();
	const houses = $derived(places.filter(({ id }) => instruments.some(({ locationId }) => locationId === id)));
	const at = $derived(house || houses[0]?.id);
	let weeks = $state(12);
	let hours = $state(3);
	let first = $state(untrack(() => `${format(now, 'yyyy-MM-dd')}T09:00`));
	/** Nothing typed: as if it began today. */
	const begins = $derived(first ? new Date(first) : new Date(now));
	const here = $derived(instruments.filter(({ locationId }) => locationId === at));
	const asked = $derived({ weeks, minutes: Math.round(60 * hours), now, begins: begins.getTime() });
	const term = $derived(termOf(here, asked, fillTime));
	const left = $derived(waitingIn(here, asked));
	const byId = $derived(new Map(here.map((each) => [each.id, each])));
	const visits = $derived(term.filter(({ tasks }) => tasks.length));
	const tuned = $derived(visits.reduce((sum, { tasks }) => sum + tasks.length, 0));
	let problem = $state<string>();
	let busy = $state(false);

	async function book() {
		busy = true;
		problem = await bookAll(
			visits.map(({ week, tasks }) => ({
				...{ userId, locationId: at, instruments: tasks.map(({ id }) => id), purpose: '' },
				startsAt: addWeeks(begins, week).toISOString(),
				minutes: tasks.reduce((sum, { minutes }) => sum + minutes, 0)
			}))
		);
		busy = false;
		if (!problem) onbooked(format(begins, 'yyyy-MM-dd'));
	}
</script>

<h1 data-testid="term">
	{counted(tuned, 'instrument')} in {counted(visits.length, 'visit')}{left > tuned
		? `; for ${left - tuned} more that are worth it there is no time`
		: ''}; {here.length - left} can be left alone.
</h1>
<div class="asked">
	<label class="field"
		><span>House</span>
		<select class="select" value={at} onchange={(event) => (house = event.currentTarget.value)}>
			{#each houses as { id, name, town } (id)}<option value={id}>{[name, town].filter(Boolean).join(', ')}</option
				>{/each}
		</select></label
	>
	<label class="field"><span>First visit</span><input class="input" type="datetime-local" bind:value={first} /></label>
	<label class="field"
		><span>Weeks</span>
		<select class="select" bind:value={weeks}>
			{#each [4, 6, 8, 10, 12, 14, 16, 20, 26] as each (each)}<option value={each}>{each}</option>{/each}
		</select></label
	>
	<label class="field"
		><span>Hours a week</span>
		<select class="select" bind:value={hours}>
			{#each [1, 2, 3, 4, 5, 6, 8, 10, 12] as each (each)}<option value={each}>{each}</option>{/each}
		</select></label
	>
</div>
<table class="rule-table">
	<thead><tr><th>Visit</th><th>Instruments</th><th class="figure">Minutes</th></tr></thead>
	<tbody>
		{#each visits as { week, tasks } (week)}
			<tr>
				<th scope="row">{format(addWeeks(begins, week), 'd MMM, H:mm')}</th>
				<td>{tasks.map(({ id }) => byId.get(id)!.name).join(', ')}</td>
				<td class="figure">{tasks.reduce((sum, { minutes }) => sum + minutes, 0)}</td>
			</tr>
		{/each}
	</tbody>
</table>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
{#if tuned}<button class="btn preset-filled-brand" disabled={busy} onclick={book}>Book the term</button>{/if}

<style>
	h1 {
		margin-bottom: 0.8rem;
	}
	.asked {
		display: grid;
		grid-template-columns: 2fr 1.5fr 1fr 1fr;
		gap: 1rem;
		max-width: 52rem;
		margin-bottom: 1rem;
	}
	button {
		margin-top: 1rem;
	}
</style>
