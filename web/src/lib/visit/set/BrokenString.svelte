<script lang="ts" generics="Body">
	import { parseISO } from 'date-fns';
	import { hz, memberOf, newStringFor, type Reading, type SounderId } from '@fendrel/core';
	import { capital, counted, fixed, listed, onShortDay } from '$lib/ui/format';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { forecast, gaugeWords, loadWords } from './newStringWords';
	import type { SetSession } from './session.svelte';

	/** What a string needs that replaces one that broke: its wire, how far sharp, how it sinks, and who comes again when. */
	interface Props {
		session: SetSession<Body>;
		open: KeyboardVisit;
		sounder: SounderId;
		/** Of the new string, none before it is on. */
		readings: readonly Reading[];
	}
	let { session, open, sounder, readings }: Props = $props();
	const { setting, record } = $derived(session);
	const note = $derived(setting.step.note);
	const name = $derived(
		`${memberOf(sounder) === 'only' ? 'string' : `${memberOf(sounder)} string`} of ${setting.nameOf(note)}`
	);
	const string = $derived(
		newStringFor(note, open.about.wires ?? [], (each) => open.plan.targetOf(each)?.pitch ?? hz(440))
	);
	const takenAt = $derived(record.report.sounders.get(sounder)?.left?.at ?? Infinity);
	const ahead = $derived(forecast(readings, takenAt, new Date()));
	const again = $derived(record.report.closing.again);
	const why = $derived(`new string of ${setting.nameOf(note)}`);
</script>

<section aria-label="A new string">
	<h2 class="panel-heading">{capital(name)}: a new one</h2>
	{#if string}
		<p class="gauge">{gaugeWords(string)}</p>
		{#if string.load.tension !== undefined}<p class:near={string.load.isNearBreaking}>
				{loadWords(string)}{string.load.isNearBreaking ? ': near breaking. Do not pull it further sharp.' : ''}
			</p>{/if}
	{:else}
		<p>
			Measure the broken one with a gauge: the instrument’s table says nothing of it, and no plain string near it is
			known.
		</p>
	{/if}
	{#if readings.length === 0}
		<button
			type="button"
			class="btn preset-filled-brand"
			onclick={() => session.stringIsOn(string ? gaugeWords(string) : '')}>A new one is on</button
		>
	{:else}
		<p>
			Leave it about <b>{fixed(ahead.sharp, 0)} cents</b> sharp, wedged off. After the visit it sinks about
			{fixed(ahead.sunk.cents, 0)} ±{fixed(ahead.sunk.error, 0)} cents{ahead.on[0]
				? ` until ${onShortDay(parseISO(ahead.on[0]))}`
				: ' in a month'}.
		</p>
		<p class="soft">
			{ahead.rests
				? `By ${counted(ahead.rests, 'reading')} of it since it was kept, and what is usual.`
				: 'By what is usual: read it again before you leave, and this is known better.'}
		</p>
		{#if ahead.on.length}
			<p>Come again {listed(ahead.on.map((day) => onShortDay(parseISO(day))))}.</p>
			<button
				type="button"
				class="btn preset-outlined-surface-300-700"
				disabled={again?.on === ahead.on[0]}
				onclick={() => record.act({ do: 'again', on: ahead.on[0], why })}
				>{again?.on === ahead.on[0] ? 'Booked' : `Book ${onShortDay(parseISO(ahead.on[0]))}`}</button
			>
		{/if}
	{/if}
</section>

<style>
	section {
		display: grid;
		gap: 0.5rem;
		justify-items: start;
		line-height: 1.4;
		font-size: 0.95rem;
	}
	.gauge {
		font-weight: 600;
	}
	.near {
		color: var(--warn);
	}
</style>
