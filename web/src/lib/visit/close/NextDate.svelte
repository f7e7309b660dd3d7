<script lang="ts">
	import { parseISO } from 'date-fns';
	import { capital, onDay } from '$lib/ui/format';
	import type { OpenVisit } from '../openVisit.svelte';
	import type { Account } from './account';
	import BookNext from './BookNext.svelte';
	import { nextChoices, nextVisit, tooEarly } from './nextVisit';

	interface Props {
		open: OpenVisit;
		account: Pick<Account, 'moved'>;
	}
	let { open, account }: Props = $props();
	const now = new Date();
	const choices = $derived(nextChoices(open, account, now));
	const next = $derived(nextVisit(open, account, now));
	let problem = $state<string | undefined>();
	const agree = (on: string, why: string) => open.record.act({ do: 'again', on, why });
	function typed(input: HTMLInputElement) {
		const on = input.value;
		problem = !on ? 'Enter a day.' : tooEarly(on, open) ? 'That day is over. Enter a later one.' : undefined;
		if (!problem) agree(on, 'as agreed');
	}
	const WORDS = { byUse: 'By use', bySeason: 'By season' };
</script>

<section aria-label="The next visit">
	<h2 class="panel-heading">The next visit</h2>
	<p class="day" data-testid="next-visit">{onDay(parseISO(next.on))}</p>
	<p class="soft">{capital(next.why)}.</p>
	<div class="choices">
		{#each choices as { id, on, why } (id)}
			<button type="button" class="choice" aria-pressed={next.on === on} title={why} onclick={() => agree(on, why)}
				>{WORDS[id]}</button
			>
		{/each}
		<label
			><span class="sr-only">Another day</span>
			<input
				class="input"
				type="date"
				value={next.on}
				aria-invalid={!!problem}
				onchange={(event) => typed(event.currentTarget)}
			/></label
		>
	</div>
	{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
	<BookNext {open} on={next.on} />
</section>

<style>
	.day {
		font-family: var(--serif);
		font-size: 1.5rem;
		line-height: 1.2;
	}
	.choices {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		margin-top: 0.6rem;
	}
	.input {
		width: 10.5rem;
	}
</style>
