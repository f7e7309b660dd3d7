<script lang="ts">
	import { DRILLS } from '@fendrel/core';
	import { onMount } from 'svelte';
	import { enhance } from '$app/forms';
	import { invalidateAll } from '$app/navigation';
	import EarRecord from '$lib/charts/EarRecord.svelte';
	import { DRILL_WORDS, thresholdWords } from '$lib/practice/drillWords';
	import { handOverSittings } from '$lib/practice/keptSittings';
	import ConfirmForm from '$lib/ui/ConfirmForm.svelte';
	import { counted, onShortDay } from '$lib/ui/format';

	let { data, form } = $props();
	let waits = $state<string | undefined>();
	onMount(async () => {
		waits = await handOverSittings(data.signedIn.userId);
		await invalidateAll();
	});
	const of = (drill: string, register: string) =>
		data.progress.find((each) => each.drill === drill && each.register === register);
	const perSecond = (value: number) => value.toFixed(2);
</script>

<svelte:head><title>Practice | Fendrel</title></svelte:head>

<h1>What does your ear tell apart?</h1>
<p class="soft lead">
	Short sittings, often. Each answer is told at once, and the next size is the one that says most about your ear. Set
	the loudspeaker as loud as a piano played softly: louder tires sooner.
</p>
{#if form && 'problem' in form}<p class="notice" role="alert">{form.problem}</p>{/if}
{#if form && 'done' in form}<p class="done" role="status">{form.done}</p>{/if}
{#if waits}<p class="notice" role="status">A sitting waits on this device. {waits}</p>{/if}

{#if data.progress.length}
	<p class="export">
		<a class="anchor" href="/practice/download?format=csv" download>Your answers as CSV</a>
		<a class="anchor" href="/practice/download?format=json" download>as JSON</a>
	</p>
{/if}
{#each DRILLS as { id, registers } (id)}
	{@const words = DRILL_WORDS[id]}
	<section aria-label={words.title}>
		<h2>{words.title}</h2>
		<p class="soft why">{words.why}</p>
		{#each registers as register (register.id)}
			{@const progress = of(id, register.id)}
			<div class="register">
				<div class="name">
					<h3>{register.name}</h3>
					<a class="btn preset-outlined-surface-300-700" href="/practice/{id}?register={register.id}">Begin</a>
				</div>
				{#if progress}
					<div class="said">
						{#if progress.threshold}
							<p class="figure">{words.size(progress.threshold.size)}</p>
							<p class="soft">{thresholdWords(progress.threshold, words)}. {words.means(progress.threshold)}</p>
						{:else}<p class="soft">Too few answers yet to say what you hear.</p>{/if}
						<details>
							<summary>{counted(progress.sittings.length, 'sitting')}</summary>
							<ul>
								{#each progress.sittings.toReversed() as { id: sitting, at, threshold, isGuessed } (sitting)}
									<li>
										<span>{onShortDay(new Date(at))}</span>
										<span class="soft"
											>{counted(threshold.trials, 'answer')}{isGuessed
												? ', guesses: not counted'
												: `, ${words.size(threshold.size)}`}</span
										>
										<ConfirmForm
											label="Delete"
											of="the sitting of {onShortDay(new Date(at))}"
											title="Delete this sitting?"
											text="Its answers no longer count for your threshold. It cannot be brought back."
											does="Delete it"
											action="?/remove"
											fields={{ id: sitting }}
										/>
									</li>
								{/each}
							</ul>
						</details>
					</div>
					<div class="record">
						<p class="soft axis">{words.unit}, sitting by sitting</p>
						<EarRecord
							sittings={progress.sittings.filter(({ isGuessed }) => !isGuessed)}
							now={Date.now()}
							label={words.figure}
						/>
					</div>
				{:else}<p class="soft said">Not practised yet.</p>{/if}
			</div>
		{/each}
		{#if id === 'rates'}
			<div class="ear">
				{#if data.practised}
					<p>
						Your ear for rates: {perSecond(data.practised.floor)} a second where beats are slow, {(
							100 * data.practised.share
						).toFixed(0)} % where they are quick.
						{#if data.taken}Bearing plans reckon with {perSecond(data.taken.floor)} a second and {(
								100 * data.taken.share
							).toFixed(0)} %, taken over from here.{/if}
					</p>
				{:else}<p class="soft">Once both rates have been practised, bearing plans can reckon with your own ear.</p>{/if}
				<form method="POST" action="?/ear" use:enhance>
					{#if data.practised}<button class="btn preset-filled-brand" name="take" value="yes"
							>Use it in bearing plans</button
						>{/if}
					{#if data.taken}<button class="btn preset-outlined-surface-300-700" name="take" value="no"
							>Do not use it any more</button
						>{/if}
				</form>
			</div>
		{/if}
	</section>
{/each}

<style>
	.lead,
	.why {
		max-width: 46rem;
	}
	.lead {
		margin-top: 0.4rem;
	}
	section {
		margin-top: 1.6rem;
	}
	h2 {
		font-size: 1.5rem;
	}
	h3 {
		font-family: inherit;
		font-size: 1rem;
		font-weight: 700;
	}
	.register {
		display: grid;
		grid-template-columns: 17rem minmax(12rem, 1fr) minmax(0, 1.4fr);
		gap: 0.5rem 1.5rem;
		align-items: center;
		border-top: 1px solid var(--line);
		padding: 0.6rem 0;
	}
	.name {
		display: flex;
		gap: 0.4rem 1rem;
		align-items: center;
		justify-content: space-between;
		flex-wrap: wrap;
	}
	.why {
		margin-bottom: 0.7rem;
	}
	.axis {
		font-size: 0.85rem;
		padding-left: 46px;
	}
	.figure {
		font-size: 2rem;
		font-weight: 600;
		font-variant-numeric: tabular-nums;
		line-height: 1.2;
	}
	summary {
		cursor: pointer;
		min-height: 32px;
	}
	li {
		display: flex;
		gap: 0.8rem;
		align-items: center;
		padding: 0.2rem 0;
	}
	.ear {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem 1.5rem;
		align-items: center;
		border-top: 1px solid var(--line);
		padding: 0.8rem 0;
	}
	.ear p {
		flex: 1 1 24rem;
	}
	.ear form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
	}
	.export {
		display: flex;
		gap: 1rem;
		margin-top: 0.6rem;
	}
	.done {
		color: var(--felt);
		font-weight: 700;
	}
	@media (max-width: 760px) {
		.register {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
