<script lang="ts">
	import type { Drill } from '@fendrel/core';
	import type { Snippet } from 'svelte';
	import EarRecord from '$lib/charts/EarRecord.svelte';
	import ConfirmForm from '$lib/ui/ConfirmForm.svelte';
	import { counted, onShortDay } from '$lib/ui/format';
	import { DRILL_WORDS, thresholdWords } from './drillWords';
	import { FIRM, type Progress, type SittingAt } from './progress';

	interface Props {
		drill: Drill;
		/** What was practised of it. */
		progress: readonly Progress[];
		/** Milliseconds since 1970. */
		now: number;
		/** It is one's own: it can be begun and deleted. */
		isOwn: boolean;
		children?: Snippet | undefined;
	}
	let { drill, progress, now, isOwn, children }: Props = $props();
	const words = $derived(DRILL_WORDS[drill.id]);
	const practised = $derived(
		drill.registers.flatMap((register) => {
			const of = progress.find((each) => each.register === register.id);
			return of ? [{ register, of }] : [];
		})
	);
	const unpractised = $derived(drill.registers.filter(({ id }) => !progress.some(({ register }) => register === id)));
	const told = ({ figure, isGuessed, count }: SittingAt) =>
		`${counted(count, 'answer')}${isGuessed ? ', guesses: not counted' : figure ? `, ${words.size(figure.size)}` : ''}`;
	const drawn = (sittings: readonly SittingAt[]) =>
		sittings.flatMap(({ at, figure, isGuessed }) => (figure && !isGuessed ? [{ at, figure }] : []));
</script>

<section aria-label={words.title}>
	<div class="head">
		<h2>{words.title}</h2>
		<p class="soft why">{words.why}</p>
	</div>
	{#if unpractised.length && (isOwn || practised.length === 0)}
		<div class="fresh">
			<span class="soft">{practised.length ? 'Not practised yet:' : isOwn ? 'Begin with' : 'Not practised yet.'}</span>
			{#if isOwn}
				{#each unpractised as { id, name } (id)}
					<a class="anchor" href="/practice/{drill.id}?register={id}" aria-label="{words.title}, {name}">{name}</a>
				{/each}
			{/if}
		</div>
	{/if}
	{#each practised as { register, of } (register.id)}
		<div class="register">
			<div class="name">
				<h3>{register.name}</h3>
				{#if isOwn}
					<a class="btn preset-outlined-surface-300-700" href="/practice/{drill.id}?register={register.id}">Go on</a>
				{/if}
			</div>
			<div class="said">
				{#if of.figure}
					<p class="figure">{words.size(of.figure.size)}</p>
					<p class="soft">
						{thresholdWords(of.figure, words, FIRM[drill.kind])}. {words.means(of.figure)}
						{(of.lean && words.leans?.(of.lean)) ?? ''}
					</p>
				{:else}<p class="soft">Too few answers yet to say what you hear.</p>{/if}
				<details>
					<summary>{counted(of.sittings.length, 'sitting')}</summary>
					<ul>
						{#each of.sittings.toReversed() as sitting (sitting.id)}
							<li>
								<span>{onShortDay(new Date(sitting.at))}</span>
								<span class="soft">{told(sitting)}</span>
								{#if isOwn}
									<ConfirmForm
										label="Delete"
										of="the sitting of {onShortDay(new Date(sitting.at))}"
										title="Delete this sitting?"
										text="Its answers no longer count for your figure. It cannot be brought back."
										does="Delete it"
										action="?/remove"
										fields={{ id: sitting.id }}
									/>
								{/if}
							</li>
						{/each}
					</ul>
				</details>
			</div>
			<div class="record">
				<p class="soft axis">{words.unit}, sitting by sitting</p>
				<EarRecord sittings={drawn(of.sittings)} {now} label={words.figure} />
			</div>
		</div>
	{/each}
	{@render children?.()}
</section>

<style>
	section {
		display: grid;
		gap: 0.5rem;
		padding-block: 0.9rem;
		border-bottom: 1px solid var(--line);
	}
	.head {
		display: grid;
		grid-template-columns: 14rem minmax(0, 1fr);
		gap: 0.3rem 1.5rem;
		align-items: baseline;
	}
	.why {
		max-width: 56rem;
	}
	.fresh {
		display: flex;
		flex-wrap: wrap;
		gap: 0.3rem 1.2rem;
		padding-left: 15.5rem;
		align-items: baseline;
	}
	.fresh a {
		min-height: 32px;
	}
	.register {
		display: grid;
		grid-template-columns: 14rem minmax(0, 1fr) minmax(16rem, 26rem);
		gap: 0.5rem 1.5rem;
		padding-top: 0.5rem;
	}
	.name {
		display: grid;
		gap: 0.4rem;
		justify-items: start;
		align-content: start;
	}
	h3 {
		font-weight: 600;
	}
	.figure {
		font-size: 2.4rem;
		line-height: 1.1;
		font-weight: 600;
		font-variant-numeric: tabular-nums;
	}
	.axis {
		font-size: 0.9rem;
	}
	details {
		margin-top: 0.3rem;
	}
	summary {
		cursor: pointer;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 0.3rem 1rem;
		align-items: center;
	}
	@media (max-width: 900px) {
		.head,
		.register {
			grid-template-columns: minmax(0, 1fr);
		}
		.fresh {
			padding-left: 0;
		}
	}
</style>
