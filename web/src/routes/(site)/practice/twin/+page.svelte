<script lang="ts">
	import { cents, centsBetween, partialHz, temperamentById } from '@fendrel/core';
	import Moves from '$lib/charts/Moves.svelte';
	import { plannedState, readStates, type TwinState } from '$lib/practice/twin/twinState';
	import TwinPlays from '$lib/practice/twin/TwinPlays.svelte';
	import { choiceName, signature } from '$lib/tuning/choice';
	import { planFor } from '$lib/tuning/plan';
	import TuningBar from '$lib/tuning/TuningBar.svelte';
	import { ask } from '$lib/ui/address';
	import { inHz, inSentence } from '$lib/ui/format';
	import { leaveButton } from '$lib/ui/keys';

	let { data } = $props();
	const { choice } = $derived(data);
	const stringsOf = (of: Parameters<typeof planFor>[0]) => {
		const { targetOf } = planFor(of);
		return (note: number) => targetOf(note)!.string;
	};
	const strings = $derived(stringsOf(choice));
	const chosen = $derived(plannedState(`${choice.temperament.name}, ${inHz(choice.a4)} Hz`, strings));
	/** What it may be compared with: how it stood, and equal temperament at the usual pitch. */
	const others = $derived.by((): TwinState[] => {
		const equal = stringsOf({ ...choice, temperament: temperamentById('equal'), a4: 440 });
		return [...readStates(data.visits, strings), { ...plannedState('Equal, 440 Hz', equal), id: 'equal' }];
	});
	/** Where the strings of the other one stand, in cents. */
	const apart = $derived(
		Array.from({ length: choice.highest - choice.lowest + 1 }, (_, i) => {
			const note = choice.lowest + i;
			const [{ string }] = against.voices(note);
			return { note, found: centsBetween(partialHz(strings(note), 1), partialHz(string, 1)), left: cents(0) };
		})
	);
	const against = $derived(others.find(({ id }) => id === data.against) ?? others[0]);
</script>

<svelte:head><title>The twin | Practice | Fendrel</title></svelte:head>
<svelte:window onclick={leaveButton} />

<header>
	<h1>How does it sound?</h1>
	<TuningBar {choice} />
</header>
<p class="soft lead">
	{choiceName(choice).replace(/^a /, 'A ')}, on its own strings: {inSentence(chosen.name)}, against
	<select
		class="select fit"
		aria-label="Against"
		value={against.id}
		onchange={(event) => void ask({ against: event.currentTarget.value })}
	>
		{#each others as { id, name } (id)}<option value={id}>{name}</option>{/each}
	</select>
</p>
{#key `${signature(choice)} ${against.id}`}
	<TwinPlays states={[chosen, against]} compass={choice} />
	<Moves
		records={apart}
		lowest={choice.lowest}
		highest={choice.highest}
		asks="How far apart are the two?"
		from={against.name}
		to={chosen.name}
		zero={chosen.name}
	/>
{/key}

<style>
	header {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
		justify-content: space-between;
	}
	.lead {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem 0.6rem;
		align-items: center;
		margin-top: 0.6rem;
	}
</style>
