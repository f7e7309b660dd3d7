<script lang="ts">
	import { format } from 'date-fns';
	import { v7 as uuid } from 'uuid';
	import { untrack } from 'svelte';
	import { sent } from '$lib/device/send';
	import { bookingSchema, type ToldBooking } from './booking';
	import type { DiaryGround } from './ground';
	import { occurrences, RECURRENCE_WORDS, RECURRENCES, type Recurrence } from './recurrence';

	interface Props {
		ground: DiaryGround;
		/** The one that is open; undefined: a new one. */
		booking: ToldBooking | undefined;
		/** A new one begins with this. */
		fresh: { readonly at: Date; readonly minutes: number | undefined; readonly instruments: readonly string[] };
		ondone: (said: string) => void;
	}
	let { ground, booking, fresh, ondone }: Props = $props();

	const begins = untrack(() => (booking ? new Date(booking.startsAt) : fresh.at));
	const first = untrack(() => booking?.instruments ?? fresh.instruments);
	let userId = $state(untrack(() => booking?.userId ?? ground.me));
	let locationId = $state(
		untrack(() => booking?.locationId ?? ground.instruments.find(({ id }) => id === first[0])?.locationId ?? '')
	);
	let instruments = $state<string[]>([...first]);
	let day = $state(format(begins, 'yyyy-MM-dd'));
	let time = $state(format(begins, 'HH:mm'));
	let minutes = $state<number | null>(untrack(() => booking?.minutes ?? fresh.minutes ?? null));
	let purpose = $state(untrack(() => booking?.purpose ?? ''));
	let promised = $state(untrack(() => booking?.promised ?? ''));
	let how = $state<Recurrence>('once');
	let until = $state(untrack(() => format(new Date(begins.getFullYear(), begins.getMonth() + 12, 1), 'yyyy-MM-dd')));
	let problem = $state<string>();
	let busy = $state(false);

	const here = $derived(ground.instruments.filter((each) => each.locationId === (locationId || null)));
	const expected = $derived(
		instruments.reduce((sum, id) => sum + (ground.instruments.find((each) => each.id === id)?.minutes ?? 0), 0)
	);
	const place = $derived(ground.places.find(({ id }) => id === locationId));
	const dates = $derived(
		day && time && until ? occurrences(new Date(`${day}T${time}`), how, new Date(`${until}T00:00`)) : []
	);

	async function keep(event: SubmitEvent) {
		event.preventDefault();
		const at = new Date(`${day}T${time}`);
		if (Number.isNaN(at.getTime())) return (problem = 'Say on which day, and when.');
		const draft = bookingSchema.safeParse({
			...{ userId, instruments: instruments.filter((id) => ground.instruments.some((each) => each.id === id)) },
			...{ locationId: locationId || null, startsAt: at.toISOString(), minutes: minutes ?? expected, purpose, promised }
		});
		if (!draft.success) return (problem = draft.error.issues[0].message);
		const { data } = draft;
		if (dates.length === 0 && !booking) return (problem = 'The last day lies before the first.');
		busy = true;
		problem = booking
			? await sent('PUT', `/api/bookings/${booking.id}`, { ...data, version: booking.version })
			: await sent('POST', '/api/bookings', {
					bookings: dates.map((date) => ({ ...data, id: uuid(), startsAt: date.toISOString() }))
				});
		busy = false;
		if (!problem) ondone(booking ? 'Changed.' : dates.length > 1 ? `Booked, ${dates.length} times.` : 'Booked.');
	}

	async function cancel(rest: boolean) {
		busy = true;
		problem = await sent('DELETE', `/api/bookings/${booking!.id}${rest ? '?rest' : ''}`);
		busy = false;
		if (!problem) ondone(rest ? 'Cancelled, and those after it.' : 'Cancelled.');
	}
	const toggle = (id: string) =>
		(instruments = instruments.includes(id) ? instruments.filter((each) => each !== id) : [...instruments, id]);
</script>

<form onsubmit={keep} aria-label={booking ? 'The booking' : 'A new booking'}>
	<h2>{booking ? 'The booking' : 'A new booking'}</h2>
	<div class="two">
		<label class="field"><span>Day</span><input class="input" type="date" bind:value={day} required /></label>
		<label class="field"><span>At</span><input class="input" type="time" bind:value={time} required /></label>
	</div>
	<label class="field"
		><span>Place</span>
		<select class="select" bind:value={locationId} onchange={() => (instruments = [])}>
			<option value="">not noted</option>
			{#each ground.places as { id, name, town } (id)}<option value={id}
					>{[name, town].filter(Boolean).join(', ')}</option
				>{/each}
		</select></label
	>
	{#if place?.entry}<p class="soft">Getting in: {place.entry}</p>{/if}
	{#if here.length}
		<fieldset>
			<legend>Instruments</legend>
			<div class="list">
				{#each here as { id, name, minutes: takes } (id)}
					<label
						><input class="checkbox" type="checkbox" checked={instruments.includes(id)} onchange={() => toggle(id)} />
						<span>{name}</span><span class="soft mono">{takes} min</span></label
					>
				{/each}
			</div>
		</fieldset>
	{/if}
	<div class="two">
		<label class="field"
			><span>Minutes</span><input
				class="input"
				type="number"
				inputmode="numeric"
				min="5"
				max="720"
				placeholder={expected ? String(expected) : ''}
				bind:value={minutes}
			/></label
		>
		<label class="field"
			><span>Who goes</span>
			<select class="select" bind:value={userId}>
				{#each ground.people as { id, name } (id)}<option value={id}>{name}</option>{/each}
			</select></label
		>
	</div>
	{#if expected}<p class="soft">{expected} minutes by earlier visits, ways not counted.</p>{/if}
	<label class="field"><span>What for</span><input class="input" bind:value={purpose} maxlength="200" /></label>
	<label class="field"
		><span>What was promised</span><textarea class="textarea" rows="2" bind:value={promised} maxlength="1000"
		></textarea></label
	>
	{#if !booking}
		<div class="two">
			<label class="field"
				><span>Again</span>
				<select class="select" bind:value={how}>
					{#each RECURRENCES as each (each)}<option value={each}>{RECURRENCE_WORDS[each]}</option>{/each}
				</select></label
			>
			{#if how !== 'once'}
				<label class="field"><span>Until</span><input class="input" type="date" bind:value={until} /></label>
			{/if}
		</div>
		{#if how !== 'once'}<p class="soft">{dates.length} bookings; each can be moved by itself.</p>{/if}
	{/if}
	{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
	<div class="does">
		<button class="btn preset-filled-brand" disabled={busy}>{booking ? 'Keep' : 'Book it'}</button>
		{#if booking}
			<button type="button" class="btn preset-outlined-surface-300-700" disabled={busy} onclick={() => cancel(false)}
				>Cancel the visit</button
			>
			{#if booking.seriesId}
				<button type="button" class="btn preset-outlined-surface-300-700" disabled={busy} onclick={() => cancel(true)}
					>This and those after it</button
				>
			{/if}
		{/if}
	</div>
</form>

<style>
	form {
		display: grid;
		gap: 0.8rem;
	}
	.two {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: 0.8rem;
	}
	.list {
		max-height: 12rem;
		overflow: auto;
		border-block: 1px solid var(--line);
	}
	.list label {
		display: grid;
		grid-template-columns: auto 1fr auto;
		gap: 0.6rem;
		align-items: center;
		min-height: 44px;
	}
	legend {
		font-weight: 600;
	}
	.does {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
	}
</style>
