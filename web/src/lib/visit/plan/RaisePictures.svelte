<script lang="ts">
	import { leftBySection, RAISE_SCHOOLS, type PlannedPass } from '@fendrel/core';
	import PassChart from '$lib/charts/PassChart.svelte';
	import type { RaiseChoice } from '$lib/settings/settings';
	import { counted, signed } from '$lib/ui/format';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import type { Judgement } from './judgement';
	import RaiseOrders from './RaiseOrders.svelte';

	interface Props {
		open: KeyboardVisit;
		judgement: Judgement;
		passes: readonly PlannedPass[];
		raise: RaiseChoice;
		onraise: (raise: RaiseChoice) => void;
	}
	let { open, judgement, passes, raise, onraise }: Props = $props();
	const { instrument } = $derived(open);
	const bars = $derived(
		(passes[0]?.points ?? []).map(({ note, over, left, boundBy }) => ({
			...{ note, over, left },
			isHeld: boundBy !== undefined
		}))
	);
	const up = $derived(judgement.verdict.way === 'up');
</script>

<section aria-label="First pass">
	<h2>
		<b>How far {up ? 'above' : 'below'} target in the first pass?</b>
		<span>cents; dots: where it settles{passes[0]?.held ? '; open: held back' : ''}</span>
	</h2>
	<PassChart {bars} lowest={instrument.lowest} highest={instrument.highest} height={108} />
	<div class="how">
		<label
			>By
			<select
				class="select"
				value={raise.school}
				onchange={(event) => onraise({ ...raise, school: event.currentTarget.value as RaiseChoice['school'] })}
			>
				{#each RAISE_SCHOOLS as { id, name } (id)}<option value={id}>{name}</option>{/each}
			</select></label
		>
		<label
			>At most
			<select
				class="select"
				value={String(raise.cap)}
				onchange={(event) => onraise({ ...raise, cap: Number(event.currentTarget.value) })}
			>
				{#each [10, 15, 20, 25, 30] as cap (cap)}<option value={String(cap)}>{cap} cents over</option>{/each}
			</select></label
		>
	</div>
	<table class="small-table">
		<thead
			><tr
				><th>Cents from target</th>{#each judgement.state.sections as { id } (id)}<th>{id}</th>{/each}</tr
			></thead
		>
		<tbody>
			<tr
				><th>found</th>{#each judgement.state.sections as { id, level } (id)}<td>{signed(level)}</td>{/each}</tr
			>
			{#each passes as { points, held }, i (i)}
				<tr
					><th>after pass {i + 1}{held ? `, ${counted(held, 'note')} held` : ''}</th
					>{#each leftBySection(points, judgement.state.sections) as { id, left } (id)}<td>{signed(left)}</td
						>{/each}</tr
				>
			{/each}
		</tbody>
	</table>
	<RaiseOrders {open} {judgement} {raise} {onraise} />
</section>

<style>
	.how {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem;
		align-items: center;
		margin: 0.25rem 0 0.5rem;
	}
	.how label {
		display: flex;
		gap: 0.5rem;
		align-items: center;
		color: var(--soft);
	}
	.how select {
		width: auto;
		min-height: 44px;
		color: var(--ink);
	}
</style>
