<script lang="ts">
	import { sent } from '$lib/device/send';
	import { counted } from '$lib/ui/format';
	import { readClimate, type ClimateDay } from './climateCsv';

	interface Props {
		place: { readonly id: string };
		/** Days that its logger has told already. */
		span: { readonly days: number; readonly from: string; readonly to: string } | undefined;
		onchange: () => Promise<void>;
	}
	let { place, span, onchange }: Props = $props();
	let read = $state.raw<{ days: readonly ClimateDay[]; lines: number; left: number }>();
	let problem = $state<string>();

	async function take(event: Event & { currentTarget: HTMLInputElement }) {
		const input = event.currentTarget;
		const file = input.files?.[0];
		input.value = '';
		read = undefined;
		if (!file) return;
		const found = readClimate(await file.text());
		problem = 'problem' in found ? found.problem : undefined;
		if (!('problem' in found)) read = found;
	}
	async function keep() {
		problem = await sent('PUT', `/api/places/${place.id}/climate`, { days: read!.days });
		if (problem) return;
		read = undefined;
		await onchange();
	}
	async function forget() {
		problem = await sent('DELETE', `/api/places/${place.id}/climate`);
		await onchange();
	}
</script>

<section aria-label="The air here">
	<h2>The air here</h2>
	{#if span}
		<p>
			A logger’s {counted(span.days, 'day')}, {span.from} to {span.to}.
			<button class="choice" onclick={forget}>Forget them</button>
		</p>
	{/if}
	<label class="field"
		><span>A logger’s series (CSV with date, temperature, humidity)</span>
		<input type="file" accept=".csv,text/csv" onchange={take} /></label
	>
	{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
	{#if read}
		<p>
			{counted(read.days.length, 'day')} from {read.days[0].day} to {read.days.at(-1)!.day}, by {counted(
				read.lines - read.left,
				'line'
			)}{read.left ? `; ${counted(read.left, 'line')} cannot be read` : ''}.
		</p>
		<button class="btn preset-filled-brand" onclick={keep}>Keep them</button>
	{/if}
</section>

<style>
	section {
		display: grid;
		gap: 0.6rem;
		justify-items: start;
		margin-top: 1.5rem;
	}
</style>
