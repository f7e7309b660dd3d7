<script lang="ts">
	import { fingeringText, parseFingering } from '@fendrel/core';
	import { LINE_LIMIT } from '$lib/ui/limits';
	import type { GuitarVisit } from '../guitarVisit.svelte';

	let { open }: { open: GuitarVisit } = $props();
	const { body, offsets } = $derived(open);
	const WEIGHTS = [
		{ id: 0.5, label: 'seldom' },
		{ id: 1, label: 'usual' },
		{ id: 2, label: 'often' }
	];
	let name = $state('');
	let fingering = $state('');
	let capo = $state('');
	let problem = $state('');

	function add(event: SubmitEvent) {
		event.preventDefault();
		const at = capo.trim() === '' ? 0 : Number(capo);
		if (!Number.isInteger(at) || at < 0 || at >= body.frets)
			problem = `There is no fret ${capo.trim()} that a capo could sit at.`;
		else if (!name.trim()) problem = 'Give the chord a name.';
		else {
			const frets = parseFingering(fingering, body, at);
			problem = frets
				? ''
				: `“${fingering.trim()}” does not fit ${body.strings.length} strings and ${body.frets - at} frets: lowest string first, x where it is not sounded, as in x32010; two digits apart, as in x 10 12 12 11 10.`;
			if (!frets) return;
			const chord = { name: name.trim(), fingering: fingeringText({ frets }), capo: at, weight: 1 };
			open.plan({ chords: [...offsets.chords, chord] });
			name = fingering = capo = '';
		}
	}
	const remove = (at: number) => open.plan({ chords: offsets.chords.filter((_, i) => i !== at) });
	const weigh = (at: number, weight: number) =>
		open.plan({ chords: offsets.chords.map((each, i) => (i === at ? { ...each, weight } : each)) });
</script>

<section aria-label="Chords that are played">
	<h3>Chords that are played</h3>
	<ul>
		{#each offsets.chords as chord, i (i)}
			<li>
				<b>{chord.name}</b>
				<span class="mono">{chord.fingering}</span>
				<span class="soft">{chord.capo ? `capo ${chord.capo}` : 'no capo'}</span>
				<select
					class="select"
					aria-label="How often {chord.name} is played"
					value={chord.weight}
					onchange={(event) => weigh(i, Number(event.currentTarget.value))}
				>
					{#each WEIGHTS as { id, label } (id)}<option value={id}>{label}</option>{/each}
				</select>
				<button type="button" aria-label="Take {chord.name} out" onclick={() => remove(i)}>Take out</button>
			</li>
		{/each}
	</ul>
	<form onsubmit={add}>
		<input class="input" aria-label="Name of the chord" placeholder="Dadd9" bind:value={name} maxlength="30" />
		<input
			class="input mono"
			aria-label="Fingering, the lowest string first"
			placeholder="xx0230"
			bind:value={fingering}
			maxlength={LINE_LIMIT}
			aria-invalid={!!problem}
		/>
		<input class="input" aria-label="Capo at" placeholder="capo" inputmode="numeric" bind:value={capo} />
		<button class="btn preset-outlined-surface-300-700">Add</button>
	</form>
	{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
</section>

<style>
	section {
		display: grid;
		gap: 0.4rem;
	}
	h3 {
		font-family: inherit;
		font-size: 1rem;
		font-weight: 600;
	}
	li {
		display: grid;
		grid-template-columns: 3.2rem minmax(5rem, 1fr) 4.2rem 6.6rem auto;
		gap: 0.4rem;
		align-items: center;
		border-top: 1px solid var(--line);
	}
	li button {
		min-height: 40px;
		font-size: 0.85rem;
		text-decoration: underline;
		text-underline-offset: 3px;
		cursor: pointer;
	}
	form {
		display: grid;
		grid-template-columns: 5.5rem minmax(0, 1fr) 4.5rem auto;
		gap: 0.4rem;
	}
</style>
