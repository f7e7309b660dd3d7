<script lang="ts">
	import { BY_OCTAVE, drillOf, type ChoiceRegister } from '@fendrel/core';
	import { onMount } from 'svelte';
	import { RoomSound } from '$lib/audio/roomSound';
	import { invalidateAll } from '$app/navigation';
	import BearingsView from '$lib/practice/BearingsView.svelte';
	import ChoiceView from '$lib/practice/ChoiceView.svelte';
	import CountingView from '$lib/practice/CountingView.svelte';
	import { ROOMS } from '$lib/practice/conditions';
	import { isHeardBy } from '$lib/practice/progress';
	import Segments from '$lib/ui/Segments.svelte';
	import { DRILL_WORDS } from '$lib/practice/drillWords';
	import ExaminationView from '$lib/practice/ExaminationView.svelte';
	import HeardCountingView from '$lib/practice/heard/HeardCountingView.svelte';
	import HeardHoldingView from '$lib/practice/heard/HeardHoldingView.svelte';
	import HeardOctaveView from '$lib/practice/heard/HeardOctaveView.svelte';
	import HeardView from '$lib/practice/heard/HeardView.svelte';
	import HoldingView from '$lib/practice/HoldingView.svelte';
	import PairView from '$lib/practice/PairView.svelte';
	import SettingView from '$lib/practice/SettingView.svelte';
	import { choiceName, signature } from '$lib/tuning/choice';
	import { planFor } from '$lib/tuning/plan';
	import TuningBar from '$lib/tuning/TuningBar.svelte';
	import { ask } from '$lib/ui/address';
	import { leaveButton } from '$lib/ui/keys';

	let { data } = $props();
	const drill = $derived(drillOf(data.drill)!);
	const register = $derived(drill.registers.find(({ id }) => id === data.register)!);
	const words = $derived(DRILL_WORDS[data.drill]);
	/** A whole temperament is set. */
	const isWhole = $derived(drill.kind === 'bearings' || drill.kind === 'examination');
	const whole = $derived({ choice: data.choice, school: data.school, ear: data.ear });
	/** One string of what is heard may beat by itself. */
	const isOfStrings = $derived(['choice', 'setting', 'pair'].includes(drill.kind));
	const plan = $derived(planFor(data.choice));
	/** What a drill on the piano in front of one needs besides. */
	const heard = $derived(data.listened && { listened: data.listened, plan, a4: data.choice.a4 });
	const around = new RoomSound();
	onMount(() => {
		return () => around.close();
	});
	/** The room begins to sound with the first key or touch, never by itself. */
	const enterRoom = () => void around.be(data.conditions.room);
	const WHERE = [
		{ id: 'twin', label: 'on the twin' },
		{ id: 'microphone', label: 'on the piano in front of you' }
	] as const;
	/** How many sittings have been begun here. */
	let round = $state(0);
	async function onagain() {
		await invalidateAll();
		round++;
	}
	const view = $derived({
		...{ userId: data.signedIn.userId, earlier: data.earlier, hand: data.hand, conditions: data.conditions, onagain },
		strings: (note: number) => plan.targetOf(note)!.string
	});
</script>

<svelte:head><title>{words.title} | Practice | Fendrel</title></svelte:head>
<svelte:window onclick={leaveButton} onkeydown={enterRoom} onpointerdown={enterRoom} />

<header>
	<h1>{words.title}</h1>
	<div class="bar">
		<select
			class="select fit"
			aria-label="Register"
			value={data.register}
			onchange={(event) => void ask({ register: event.currentTarget.value })}
		>
			{#each drill.registers as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</select>
		<TuningBar choice={data.choice} fixedTemperament={!isWhole} />
	</div>
</header>

{#if data.standsInFor}
	<p class="notice" role="status">
		Not all of these notes are on {data.standsInFor}: you hear {choiceName(data.choice)}.
	</p>
{/if}

{#key [signature(data.choice), data.drill, data.register, data.school, data.conditions.isFalse, data.listened?.id, round].join(' ')}
	{#if drill.kind === 'choice'}<ChoiceView {drill} register={register as ChoiceRegister} {...view} />
	{:else if heard && drill.kind === 'counting'}<HeardCountingView {drill} {register} {...heard} {...view} />
	{:else if heard && drill.kind === 'holding'}<HeardHoldingView {register} {...heard} {...view} />
	{:else if heard && drill.kind === 'pair' && BY_OCTAVE[register.id]}
		<HeardOctaveView {drill} {register} {...heard} {...view} />
	{:else if heard && (drill.kind === 'setting' || drill.kind === 'pair')}
		<HeardView {drill} {register} {...heard} {...view} />
	{:else if drill.kind === 'setting'}<SettingView {drill} {register} {...view} />
	{:else if drill.kind === 'pair'}<PairView {drill} {register} {...view} />
	{:else if drill.kind === 'counting'}<CountingView {drill} {register} {...view} />
	{:else if drill.kind === 'holding'}<HoldingView {register} {...view} />
	{:else if drill.kind === 'examination'}
		<ExaminationView {register} {...whole} bands={data.bands} {...view} />
	{:else}<BearingsView {register} {...whole} band={data.bands.temperament} {...view} />{/if}
{/key}

<footer>
	<p class="soft">{words.why} On {choiceName(data.choice)}.</p>
	{#if isHeardBy(drill)}
		<Segments
			label="Where it is practised"
			choices={WHERE}
			chosen={data.listened ? 'microphone' : 'twin'}
			onchoose={(by) => void ask({ by: by === 'microphone' ? by : undefined })}
		/>
	{/if}
	{#if !data.listened}<div class="conditions">
			<select
				class="select fit"
				aria-label="Room"
				value={data.conditions.room}
				onchange={(event) => void ask({ room: event.currentTarget.value })}
			>
				{#each ROOMS as { id, name } (id)}<option value={id}>{name}</option>{/each}
			</select>
			{#if isOfStrings}
				<label>
					<input
						type="checkbox"
						class="checkbox"
						checked={data.conditions.isFalse}
						onchange={(event) => void ask({ false: event.currentTarget.checked ? 'yes' : undefined })}
					/>
					a string beats by itself
				</label>
			{/if}
		</div>{/if}
</footer>

<style>
	header,
	.bar {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
		justify-content: space-between;
	}
	footer {
		margin-top: 1rem;
		border-top: 1px solid var(--line);
		padding-top: 0.6rem;
	}
	.conditions,
	.conditions label {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
	}
	footer {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem 2rem;
		justify-content: space-between;
	}
	footer p {
		flex: 1 1 30rem;
		max-width: 56rem;
	}
</style>
