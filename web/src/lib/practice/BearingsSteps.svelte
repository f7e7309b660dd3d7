<script lang="ts">
	import { noteName, SCHOOLS, type BearingPlan } from '@fendrel/core';
	import { shortRate } from '$lib/tuning/bearingWords';
	import { ask } from '$lib/ui/address';
	import { pairName } from '$lib/ui/beats';

	interface Props {
		plan: BearingPlan;
		school: string;
		/** Which step is done now, from 0. */
		current: number;
		/** Steps whose note has been turned. */
		turned: ReadonlySet<number>;
		ongo: (step: number) => void;
	}
	let { plan, school, current, turned, ongo }: Props = $props();
</script>

<section aria-label="The plan">
	<label class="school">
		<span class="soft">Order of work</span>
		<select class="select fit" value={school} onchange={(event) => void ask({ school: event.currentTarget.value })}>
			{#each SCHOOLS as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</select>
	</label>
	<ol class="steps">
		{#each plan.steps as { note, by }, i (note)}
			<li class:due={i === current}>
				<button type="button" onclick={() => ongo(i)} aria-current={i === current ? 'step' : undefined}>
					<span class="note">{noteName(note)}</span>
					<span class="soft">{by[0] ? `${pairName(by[0].edge)}, ${shortRate(by[0].edge.rate)}` : 'the fork'}</span>
					<span class="done">{turned.has(i) || by.length === 0 ? 'set' : ''}</span>
				</button>
			</li>
		{/each}
	</ol>
</section>

<style>
	.school {
		display: grid;
		gap: 0.2rem;
		margin-bottom: 0.6rem;
	}
	.steps li {
		border-top: 1px solid var(--line);
	}
	.steps button {
		display: grid;
		grid-template-columns: 3.4rem 1fr 2.4rem;
		gap: 0.5rem;
		align-items: center;
		width: 100%;
		min-height: 36px;
		text-align: left;
		cursor: pointer;
	}
	.due {
		background: var(--sheet);
		box-shadow: inset 4px 0 var(--felt);
	}
	.due .note {
		font-weight: 700;
		padding-left: 0.6rem;
	}
	.done {
		color: var(--felt);
	}
</style>
