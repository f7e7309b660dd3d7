<script lang="ts">
	import { noteName } from '@fendrel/core';
	import { flatOrSharp, listed } from '$lib/ui/format';
	import { effortWords, ownerVerdict, perhapsWords, type TelephoneTold } from './told';

	interface Props {
		told: TelephoneTold;
		workshop: string;
		/** Who has agreed to it; empty as long as nobody has. */
		agreedBy: string;
		/** Agrees to it. @returns what is wrong, if anything */
		onagree: (name: string) => Promise<string | undefined>;
		onagain: () => void;
	}
	let { told, workshop, agreedBy, onagree, onagain }: Props = $props();
	let name = $state('');
	let problem = $state<string>();
	let sending = $state(false);

	async function agree(event: SubmitEvent) {
		event.preventDefault();
		sending = true;
		problem = await onagree(name);
		sending = false;
	}
</script>

<p class="verdict" data-testid="owners-verdict">{ownerVerdict(told)}</p>
<dl>
	<dt>Its pitch</dt>
	<dd>{flatOrSharp(told.level)}, as a telephone hears it</dd>
	{#if told.unisons.length}
		<dt>Out of tune in themselves</dt>
		<dd>{listed(told.unisons.slice(0, 4).map(({ note }) => noteName(note)))}</dd>
	{/if}
	<dt>Time{told.price ? ' and price' : ''}</dt>
	<dd><b>{effortWords(told)}</b></dd>
</dl>
{#if perhapsWords(told)}<p>{perhapsWords(told)}</p>{/if}
{#if agreedBy}
	<p class="agreed" role="status">Agreed by {agreedBy}. {workshop} has been told.</p>
{:else}
	<form onsubmit={agree}>
		<label class="field"
			><span>Your name</span><input class="input" autocomplete="name" maxlength="80" bind:value={name} /></label
		>
		<button class="btn preset-filled-brand" disabled={sending}>Agree to this</button>
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={onagain}>Play it again</button>
	</form>
	<p class="soft">{workshop} sees this as soon as you have played; it counts as agreed once you say so.</p>
{/if}
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}

<style>
	.verdict {
		font-family: var(--serif);
		font-size: 1.9rem;
		line-height: 1.2;
	}
	dl {
		display: grid;
		grid-template-columns: max-content 1fr;
		gap: 0.3rem 1.5rem;
		margin: 1.25rem 0;
	}
	dt {
		color: var(--soft);
	}
	.agreed {
		border-left: 4px solid var(--felt);
		padding: 0.75rem 1rem;
		background: var(--felt-wash);
	}
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		align-items: end;
		margin: 1.25rem 0 0.75rem;
	}
</style>
