<script lang="ts">
	import { untrack } from 'svelte';
	import type { At, Consent } from '@fendrel/core';
	import { onTime } from '$lib/ui/format';
	import { LINE_LIMIT } from '$lib/ui/limits';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';

	interface Props {
		open: KeyboardVisit;
		consent: At<Consent> | undefined;
		/** What they agree to, and what it means. */
		to: Consent['to'];
		explained: string;
	}
	let { open, consent, to, explained }: Props = $props();
	let by = $state(untrack(() => consent?.by ?? ''));
	let from = $state(untrack(() => consent?.from ?? ''));
	let problem = $state<string | undefined>();
	let again = $state(false);

	function answer(given: boolean) {
		if (!by.trim() || !from.trim()) {
			problem = 'Say who explained it, and to whom.';
			return;
		}
		problem = undefined;
		again = false;
		open.record.act({ do: 'consent', to, explained, by: by.trim(), from: from.trim(), given });
	}
</script>

<section class="consent" aria-label={to === 'trial' ? 'Consent to a trial' : 'Consent'}>
	{#if consent && !again}
		<p>
			{consent.given ? 'Agreed' : 'Declined'} by {consent.from}, {onTime(new Date(consent.at))}, to
			{to === 'trial' ? 'a trial' : 'the raise'}; explained by {consent.by}.
			<button type="button" class="link" onclick={() => (again = true)}>Ask again</button>
		</p>
	{:else}
		<p><b>{to === 'trial' ? 'Before strings are tried' : 'Before it is raised'}, the owner agrees.</b> {explained}</p>
		<div class="who">
			<label>Explained by <input class="input" bind:value={by} maxlength={LINE_LIMIT} /></label>
			<label>to <input class="input" bind:value={from} maxlength={LINE_LIMIT} /></label>
		</div>
		{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
		<div class="answers">
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => answer(true)}>They agree</button>
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => answer(false)}
				>They decline</button
			>
		</div>
	{/if}
</section>

<style>
	.consent {
		display: grid;
		gap: 0.5rem;
		padding-left: 0.9rem;
		border-left: 3px solid var(--felt);
	}
	.who {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0.75rem;
	}
	.who input {
		display: block;
		width: 100%;
		min-height: 44px;
	}
	.answers {
		display: flex;
		gap: 0.75rem;
	}
	.link {
		color: var(--felt);
		text-decoration: underline;
		min-height: 24px;
	}
</style>
