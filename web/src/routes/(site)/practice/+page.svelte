<script lang="ts">
	import { DRILLS } from '@fendrel/core';
	import { onMount } from 'svelte';
	import { enhance } from '$app/forms';
	import { invalidateAll } from '$app/navigation';
	import DrillSection from '$lib/practice/DrillSection.svelte';
	import EarTaken from '$lib/practice/EarTaken.svelte';
	import { handOverSittings } from '$lib/practice/keptSittings';
	import OwnSteadiness from '$lib/practice/OwnSteadiness.svelte';
	import UnisonTaken from '$lib/practice/UnisonTaken.svelte';
	import TodayPanel from '$lib/practice/TodayPanel.svelte';
	import { ask } from '$lib/ui/address';

	let { data, form } = $props();
	let waits = $state<string | undefined>();
	onMount(async () => {
		waits = await handOverSittings(data.signedIn.userId);
		await invalidateAll();
	});
	const isOwn = $derived(data.of === undefined);
</script>

<svelte:head><title>Practice | Fendrel</title></svelte:head>

<header>
	<h1>{isOwn ? 'What does your ear tell apart?' : `What ${data.of!.name} has practised`}</h1>
	{#if data.shown.length}
		<select
			class="select fit"
			aria-label="Whose practice"
			value={data.of?.id ?? ''}
			onchange={(event) => void ask({ of: event.currentTarget.value || undefined })}
		>
			<option value="">Your own</option>
			{#each data.shown as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</select>
	{/if}
</header>
{#if isOwn}
	<p class="soft lead">
		Short sittings, often. Each answer is told at once, and the next one is what says most about your ear. Set the
		loudspeaker as loud as a piano played softly: louder tires sooner.
	</p>
{/if}
{#if form && 'problem' in form}<p class="notice" role="alert">{form.problem}</p>{/if}
{#if form && 'done' in form}<p class="done" role="status">{form.done}</p>{/if}
{#if waits}<p class="notice" role="status">A sitting waits on this device. {waits}</p>{/if}
{#if isOwn}
	<TodayPanel proposal={data.proposal} />
	<p class="listen">
		Or only listen: <a class="anchor" href="/practice/twin">how an instrument sounds</a> as it was found, as it was left,
		or in another temperament or pitch.
	</p>
{/if}
{#each DRILLS as drill (drill.id)}
	<DrillSection {drill} progress={data.progress.filter((each) => each.drill === drill.id)} now={data.now} {isOwn}>
		{#if drill.id === 'stillness' && data.left !== undefined}
			<UnisonTaken left={data.left} asked={data.unisons} mayDecide={isOwn && data.mayDecide} />
		{/if}
		{#if drill.id === 'rates'}<EarTaken practised={data.practised} taken={data.taken} {isOwn} />{/if}
	</DrillSection>
{/each}
{#if isOwn}
	<footer>
		{#if data.progress.length}
			<p class="export">
				<a class="anchor" href="/practice/download?format=csv" download>Your answers as CSV</a>
				<a class="anchor" href="/practice/download?format=json" download>as JSON</a>
			</p>
		{/if}
		<form method="POST" action="?/show" use:enhance>
			<span class="soft"
				>{data.shows
					? 'The workshop’s technicians and its owner may see what you have practised.'
					: 'Nobody but you sees what you have practised.'}</span
			>
			<button class="btn preset-outlined-surface-300-700" name="shows" value={data.shows ? 'no' : 'yes'}
				>{data.shows ? 'Keep it to myself' : 'Let a teacher see it'}</button
			>
		</form>
	</footer>
{/if}
<OwnSteadiness registers={data.steadiness} />

<style>
	header,
	footer {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
		justify-content: space-between;
	}
	.lead {
		max-width: 46rem;
		margin-top: 0.4rem;
	}
	.listen {
		padding-block: 0.8rem;
		border-bottom: 1px solid var(--line);
	}
	footer {
		margin-top: 1rem;
	}
	.export,
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem 1rem;
		align-items: center;
	}
	.done {
		color: var(--felt);
		font-weight: 700;
	}
</style>
