<script lang="ts">
	import { loggedClimate, roomOf, type Climate } from '@fendrel/core';
	import { fixed, onTime } from '$lib/ui/format';
	import type { OpenVisit } from '../openVisit.svelte';
	import { expectedChange, type Season } from '../season';
	import { seasonWords } from '../seasonWords';
	import { climateExplains, FELT } from './arriveWords';
	import { nearestLine, readClimateFile } from './climateFile';
	import { degreeUnit, temperatureFigure, temperatureWords, typedCelsius } from '$lib/ui/measures';
	import { typedNumber } from '$lib/ui/typed';

	interface Props {
		open: OpenVisit;
		before: Climate | undefined;
		/** What it has done to the pitch, once that was read. */
		season: Season | undefined;
	}
	let { open, before, season }: Props = $props();
	const climate = $derived(open.record.report.arrival.climate);
	// As text: the record is made anew whenever something is saved, and what is being typed must outlast that.
	const temperatureKept = $derived(climate?.temperature == null ? '' : temperatureFigure(climate.temperature));
	const humidityKept = $derived(climate?.humidity == null ? '' : fixed(climate.humidity, 0));
	let temperature = $derived(temperatureKept);
	let humidity = $derived(humidityKept);
	let problem = $state<string | undefined>();
	const expected = $derived(climate && expectedChange(open.about.history ?? [], climate));
	const explains = $derived(
		season && Math.abs(season.humidity) >= FELT ? seasonWords(season) : climateExplains(climate, before, expected)
	);
	const TOLD: Record<Climate['by'], string> = { typed: 'typed', logger: 'from the logger', file: 'from a file' };
	const LIMITS = { temperature: [-20, 50], humidity: [0, 100] } as const;

	function keep(of: { temperature: number | null; humidity: number | null }, by: Climate['by']) {
		problem = undefined;
		const short = (value: number | null) => (value === null ? null : Math.round(10 * value) / 10);
		open.record.act({ do: 'climate', temperature: short(of.temperature), humidity: short(of.humidity), by });
	}
	function read(text: string, name: keyof typeof LIMITS): number | null | undefined {
		if (text.trim() === '') return null;
		const value = name === 'temperature' ? typedCelsius(text) : typedNumber(text);
		const [low, high] = LIMITS[name];
		return value >= low && value <= high ? value : undefined;
	}
	function type() {
		const typed = { temperature: read(temperature, 'temperature'), humidity: read(humidity, 'humidity') };
		if (typed.temperature === undefined)
			problem = `Temperatures lie between ${temperatureFigure(LIMITS.temperature[0], 0)} and ${temperatureWords(LIMITS.temperature[1], 0)}.`;
		else if (typed.humidity === undefined) problem = 'Relative humidity lies between 0 and 100 %.';
		else keep({ temperature: typed.temperature, humidity: typed.humidity }, 'typed');
	}
	function fromLogger() {
		const { twin, kind } = open.instrument;
		keep(loggedClimate(roomOf(kind, twin.seed), Date.now()), 'logger');
	}
	async function fromFile(file: File | undefined) {
		if (!file) return;
		const told = readClimateFile(await file.text().catch(() => ''));
		if ('problem' in told) problem = told.problem;
		else {
			const line = nearestLine(told.lines, open.visit.startedAt.getTime());
			const fits = (value: number | null, name: keyof typeof LIMITS) =>
				value === null || (value >= LIMITS[name][0] && value <= LIMITS[name][1]);
			if (!fits(line.temperature, 'temperature') || !fits(line.humidity, 'humidity'))
				problem = 'The figures of that file are no room’s. Are its columns °C and %?';
			else keep(line, 'file');
		}
	}
</script>

<section class="climate" aria-label="Climate">
	<label
		><span class="soft">Temperature</span>
		<span class="unit"
			><input
				class="input mono"
				inputmode="decimal"
				bind:value={temperature}
				onchange={type}
				aria-label="Temperature in {degreeUnit()}"
			/>
			{degreeUnit()}</span
		></label
	>
	<label
		><span class="soft">Humidity</span>
		<span class="unit"
			><input class="input mono" inputmode="decimal" bind:value={humidity} onchange={type} aria-label="Humidity in %" /> %</span
		></label
	>
	<div class="ways">
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={fromLogger}>Read the logger</button>
		<label class="btn preset-outlined-surface-300-700 file"
			>From a file<input
				type="file"
				accept=".csv,text/csv"
				class="sr-only"
				onchange={(event) => void fromFile(event.currentTarget.files?.[0])}
			/></label
		>
	</div>
	<p class="told soft">
		{#if climate}{TOLD[climate.by]}, {onTime(new Date(climate.at))}.{/if}
		{#if before}Last visit {before.temperature === null ? '–' : temperatureWords(before.temperature)}, {before.humidity ===
			null
				? '–'
				: fixed(before.humidity, 0)} %.{/if}
		{explains ?? ''}
	</p>
	{#if problem}<p class="problem told" role="alert">{problem}</p>{/if}
</section>

<style>
	.climate {
		display: grid;
		grid-template-columns: auto auto minmax(0, 1fr);
		gap: 0.25rem 0.75rem;
		align-items: end;
	}
	label span {
		font-size: 0.9rem;
	}
	.unit {
		display: flex;
		align-items: center;
		gap: 0.3rem;
	}
	.input {
		width: 4.6rem;
		min-height: 44px;
	}
	.ways {
		display: flex;
		gap: 0.5rem;
		flex-wrap: wrap;
	}
	.file {
		cursor: pointer;
	}
	.file:focus-within {
		outline: 2px solid var(--felt);
	}
	.told {
		grid-column: 1 / -1;
		font-size: 0.9rem;
		line-height: 1.35;
	}
</style>
