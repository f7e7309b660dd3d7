<script lang="ts">
	import { BOOKED_MINUTES } from '@fendrel/core';
	import { format, isBefore, parseISO } from 'date-fns';
	import { v7 as uuid } from 'uuid';
	import { onDay } from '$lib/ui/format';
	import type { OpenVisit } from '../openVisit.svelte';

	interface Props {
		open: OpenVisit;
		/** The day that was agreed, as YYYY-MM-DD. */
		on: string;
	}
	let { open, on }: Props = $props();
	const booked = $derived(open.record.report.closing.booked);
	/** As long as work takes here, to the quarter of an hour. */
	const usual = $derived(
		15 * Math.ceil((open.about.pace ? open.about.pace.tariff.visit + open.about.pace.tariff.tuning : 90) / 15)
	);
	let time = $state('09:00');
	let minutes = $derived(String(usual));
	let promised = $state('');
	let problem = $state<string>();

	function book(event: SubmitEvent) {
		event.preventDefault();
		const startsAt = parseISO(`${on}T${time}`);
		const long = Number(minutes);
		if (!/^\d\d:\d\d$/.test(time)) problem = 'Enter the time.';
		else if (!Number.isInteger(long) || long < BOOKED_MINUTES.least || long > BOOKED_MINUTES.most)
			problem = `It takes ${BOOKED_MINUTES.least} to ${BOOKED_MINUTES.most} minutes.`;
		else if (isBefore(startsAt, new Date())) problem = 'That is over already. Choose a later day above.';
		else {
			problem = undefined;
			const of = { booking: uuid(), startsAt: startsAt.toISOString(), minutes: long, promised: promised.trim() };
			open.record.act({ do: 'book', ...of });
			promised = '';
		}
	}
</script>

{#each booked as { booking, startsAt, minutes: long, promised: what } (booking)}
	<p data-testid="booked">
		Booked: {onDay(new Date(startsAt))}, {format(new Date(startsAt), 'H:mm')}, {long} min{what
			? `; promised: ${what}`
			: ''}.
	</p>
{/each}
<form onsubmit={book}>
	<label
		><span class="soft">At</span><input
			class="input"
			type="time"
			bind:value={time}
			aria-label="Time of the next visit"
		/></label
	>
	<label
		><span class="soft">for, min</span><input
			class="input short"
			inputmode="numeric"
			bind:value={minutes}
			aria-label="Minutes of the next visit"
		/></label
	>
	<label class="wide"
		><span class="soft">Promised</span><input
			class="input"
			maxlength="1000"
			bind:value={promised}
			aria-label="What is promised for the next visit"
		/></label
	>
	<button class="choice">Book that day</button>
</form>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}

<style>
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: end;
		margin-top: 0.6rem;
	}
	label span {
		display: block;
		font-size: 0.85rem;
	}
	.short {
		width: 4.5rem;
	}
	.wide {
		flex: 1 1 8rem;
	}
	.wide .input {
		width: 100%;
	}
</style>
