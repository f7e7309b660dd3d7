<script lang="ts">
	import { addMinutes, format } from 'date-fns';
	import type { ChosenDay, DayAsked } from '@fendrel/core';
	import { isGivenUp } from '$lib/workers/client';
	import { dayWorker } from '$lib/workers/day.client';
	import { counted } from '$lib/ui/format';
	import { bookAll } from './book';
	import { boundWords, dayAsked, gainWords, timedStops, visitGain } from './dayPlan';
	import type { RoundInstrument } from './round';

	interface Props {
		instruments: readonly RoundInstrument[];
		places: readonly { readonly id: string; readonly name: string; readonly town: string }[];
		ways: DayAsked['ways'];
		userId: string;
		now: number;
		on: string | undefined;
		onday: (on: string) => void;
		onbooked: (on: string) => void;
	}
	let { instruments, places, ways, userId, now, on, onday, onbooked }: Props = $props();
	let hours = $state(8);
	let begins = $state('08:30');
	let day = $state.raw<ChosenDay>();
	let problem = $state<string>();
	let busy = $state(false);
	const date = $derived(on ?? format(new Date(now), 'yyyy-MM-dd'));
	const start = $derived(new Date(`${date}T${begins || '08:30'}`));
	const byId = $derived(new Map(instruments.map((each) => [each.id, each])));
	const placeName = (id: string) => places.find((place) => place.id === id)?.name ?? '';
	const stops = $derived(day ? timedStops(day) : []);
	const waiting = $derived(instruments.filter((each) => each.locationId !== null && visitGain(each, now) > 0).length);

	const worker = dayWorker();
	$effect(() => () => worker.close());
	$effect(() => {
		const asked = dayAsked(
			instruments,
			places.map(({ id }) => id),
			ways,
			{ minutes: Math.round(60 * hours), now }
		);
		problem = undefined;
		worker
			.run('choose', asked)
			.then((found) => (day = found))
			.catch((fault: unknown) => {
				if (!isGivenUp(fault)) problem = 'The day could not be worked out. Reload the page.';
			});
	});
	const end = $derived(day && addMinutes(start, Math.ceil(day.minutes)));
	const tuned = $derived(stops.reduce((sum, { tasks }) => sum + tasks.length, 0));

	async function book() {
		busy = true;
		problem = await bookAll(
			stops.map(({ id, from, minutes, tasks }) => ({
				...{ userId, locationId: id, minutes, instruments: tasks.map((task) => task.id) },
				startsAt: addMinutes(start, from).toISOString(),
				purpose: tasks.length === 1 ? gainWords(byId.get(tasks[0].id)!, now).slice(0, 200) : ''
			}))
		);
		busy = false;
		if (!problem) onbooked(date);
	}
</script>

<h1 data-testid="planned">
	{#if !day}Looking for the best day ...{:else if tuned === 0}Nothing pays in a day like this.{:else}{counted(
			tuned,
			'instrument'
		)} at {counted(stops.length, 'place')}, {Math.round(day.way)} minutes on the way, home by {format(
			end!,
			'H:mm'
		)}.{/if}
</h1>
<div class="asked">
	<label class="field"
		><span>Day</span><input
			class="input"
			type="date"
			value={date}
			onchange={(event) => onday(event.currentTarget.value)}
		/></label
	>
	<label class="field"><span>Setting out at</span><input class="input" type="time" bind:value={begins} /></label>
	<label class="field"
		><span>Hours, ways included</span>
		<select class="select" bind:value={hours}>
			{#each [2, 3, 4, 5, 6, 7, 8, 9, 10] as each (each)}<option value={each}>{each}</option>{/each}
		</select></label
	>
</div>
{#if day}<p class="soft" data-testid="bound">{tuned ? boundWords(day) : ''}</p>{/if}
<ol>
	{#each stops as { id, way, from, minutes, tasks } (id)}
		<li>
			<p>
				<span class="mono">{format(addMinutes(start, from), 'H:mm')}</span> <b>{placeName(id)}</b>
				<span class="soft">{Math.round(way)} minutes to get there, {minutes} there</span>
			</p>
			<ul>
				{#each tasks as task (task.id)}
					{@const instrument = byId.get(task.id)!}
					<li>
						<a class="anchor" href="/instruments/{task.id}">{instrument.name}</a>
						<span class="soft">{gainWords(instrument, now)}</span>
						<span class="mono">{task.minutes} min</span>
					</li>
				{/each}
			</ul>
		</li>
	{/each}
</ol>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
{#if tuned}
	<button class="btn preset-filled-brand" disabled={busy} onclick={book}>Book this day</button>
	{#if waiting > tuned}<p class="soft">
			{waiting - tuned} more are worth a visit, but gain less for their time and the way.
		</p>{/if}
{/if}

<style>
	h1 {
		margin-bottom: 0.8rem;
	}
	.asked {
		display: grid;
		grid-template-columns: repeat(3, minmax(0, 12rem));
		gap: 1rem;
		margin-bottom: 0.6rem;
	}
	ol > li {
		padding-block: 0.7rem;
		border-top: 1px solid var(--line);
	}
	ul li {
		display: grid;
		grid-template-columns: 15rem minmax(0, 1fr) auto;
		gap: 1rem;
		padding: 0.25rem 0 0.25rem 3.4rem;
	}
	@media (max-width: 700px) {
		ul li {
			grid-template-columns: minmax(0, 1fr) auto;
			padding-left: 0;
		}
	}
</style>
