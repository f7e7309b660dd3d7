<script lang="ts">
	import { OTHER_WORKS, type OtherWork } from '@fendrel/core';
	import { addMonths, format, parseISO } from 'date-fns';
	import { capital, onDay } from '$lib/ui/format';
	import type { OpenVisit } from '../openVisit.svelte';
	import { DAY_FORMAT, tooEarly } from './nextVisit';

	let { open }: { open: OpenVisit } = $props();
	let problem = $state<string>();
	const said = $derived(open.record.report.closing.alsoDue);
	const before = $derived(new Map(open.about.otherWork?.map(({ work, on, why }) => [work, { on, why }])));
	const dueOf = (work: OtherWork) => (said.has(work) ? (said.get(work) ?? undefined) : before.get(work));
	const FAR = [12, 24] as const;

	const agree = (work: OtherWork, on: string | null, why: string) => open.record.act({ do: 'alsoDue', work, on, why });
	function typed(work: OtherWork, on: string) {
		problem = !on ? 'Enter a day.' : tooEarly(on, open) ? 'That day is over. Enter a later one.' : undefined;
		if (!problem) agree(work, on, 'as agreed');
	}
	function after(work: OtherWork, months: number) {
		agree(work, format(addMonths(open.visit.startedAt, months), DAY_FORMAT), `${months} months after this visit`);
	}
</script>

<section aria-label="Voicing and regulation">
	<details>
		<summary class="soft"
			>{#each OTHER_WORKS as work, i (work)}{@const due = dueOf(work)}{i ? '; ' : ''}<b>{i ? work : capital(work)}</b>
				<span data-testid="due-{work}">{due ? onDay(parseISO(due.on)) : 'not planned'}</span>{/each}</summary
		>
		{#each OTHER_WORKS as work (work)}
			{@const due = dueOf(work)}
			<div class="line">
				<b>{capital(work)}</b>
				<span class="does">
					{#each FAR as months (months)}
						<button
							type="button"
							class="choice"
							aria-label="{capital(work)} in {months} months"
							onclick={() => after(work, months)}>{months} months</button
						>
					{/each}
					<input
						class="input"
						type="date"
						aria-label="{capital(work)} on"
						value={due?.on ?? ''}
						onchange={(event) => typed(work, event.currentTarget.value)}
					/>
					{#if due}<button
							type="button"
							class="choice"
							aria-label="{capital(work)}: done"
							onclick={() => agree(work, null, '')}>Done, or not wanted</button
						>{/if}
				</span>
			</div>
		{/each}
	</details>
	{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
</section>

<style>
	summary {
		cursor: pointer;
		padding-block: 0.6rem;
		font-size: 0.95rem;
	}
	b {
		font-weight: 700;
		color: var(--ink);
	}
	.line {
		display: grid;
		gap: 0.2rem;
		padding-block: 0.35rem;
		border-top: 1px solid var(--line);
	}
	.does {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	.input {
		width: 10.5rem;
	}
</style>
