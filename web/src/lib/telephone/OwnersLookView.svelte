<script lang="ts">
	import { noteName, type Refusal } from '@fendrel/core';
	import { onMount, untrack } from 'svelte';
	import { FAULT_WORDS } from '$lib/listening/faultWords';
	import LevelMeter from '$lib/listening/LevelMeter.svelte';
	import { counted } from '$lib/ui/format';
	import KeyFinder from './KeyFinder.svelte';
	import { keyWords } from './keyWords';
	import { OwnersLook, type OwnersLookOptions } from './ownersLook.svelte';
	import type { HeardNote } from './told';

	interface Props {
		options: OwnersLookOptions;
		/** Sends what was heard. @returns what is wrong, if anything */
		onsend: (notes: readonly HeardNote[]) => Promise<string | undefined>;
	}
	let { options, onsend }: Props = $props();
	const look = untrack(() => new OwnersLook(options));
	onMount(() => look.begin());
	const { listening } = look;
	let sending = $state(false);
	let problem = $state<string>();
	const heard = $derived(new Set(look.heard.keys()));
	const ENOUGH = 4;

	const REFUSALS: Record<Refusal, string> = {
		'no note': 'That could not be read. Press the key once more, a little firmer, and hold it down.',
		'two notes': 'Two notes sounded. Press one key only.',
		unsteady: 'Somebody spoke, or something else sounded. Wait for quiet, then play on.',
		'steady tone': 'Something hums in the room. Turn it off if you can, then play on.',
		interrupted: 'The sound broke off. Press the key once more, and hold it down.'
	};

	async function listen(source: 'microphone' | 'simulated') {
		await listening.choose(source);
		await listening.start();
	}
	async function send() {
		sending = true;
		problem = await onsend([...look.heard.values()]);
		sending = false;
		if (!problem) listening.stop();
	}
</script>

{#if listening.state !== 'on'}
	<p class="lead">
		Play {options.notes.length} notes into this telephone, and it is known how far the instrument is out, what it needs and
		how long that takes, before anybody drives. It takes three minutes.
	</p>
	<ol>
		<li>Turn off what hums or plays, and close the door.</li>
		<li>Lay the telephone on the music desk.</li>
		<li>Play one key at a time, firmly, and hold it down for three seconds. Leave the pedals alone.</li>
	</ol>
	<p class="row">
		<button
			class="btn preset-filled-brand"
			disabled={listening.state === 'opening'}
			onclick={() => listen('microphone')}>Listen</button
		>
		{#if options.twin}
			<button
				class="btn preset-outlined-surface-300-700"
				disabled={listening.state === 'opening'}
				onclick={() => listen('simulated')}>Try it with a simulated instrument</button
			>
		{/if}
	</p>
	<p class="soft">No sound leaves this telephone: only the pitch of each note is sent.</p>
{:else if look.due !== undefined}
	<p class="soft" aria-live="polite">
		{heard.size} of {options.notes.length} heard
	</p>
	<h2 data-testid="due"><b>{noteName(look.due)}</b> {keyWords(look.due)}</h2>
	<KeyFinder lowest={options.setup.lowest} highest={options.setup.highest} note={look.due} {heard} />
	<p class="said" aria-live="assertive">
		{#if look.refusal}{REFUSALS[look.refusal]}
		{:else if look.other !== undefined}That was {noteName(look.other)}{heard.has(look.other)
				? ', which counts too'
				: ''}. Now
			{keyWords(look.due)}.
		{:else}Press it firmly, and hold it down.{/if}
	</p>
	<p class="row">
		<LevelMeter levels={listening.levels} />
		{#if listening.source === 'simulated'}
			<button class="btn preset-filled-brand" onclick={() => look.simulate()}>Press the key</button>
		{/if}
		<button class="btn preset-outlined-surface-300-700" onclick={() => look.skip()}>It does not sound</button>
		{#if heard.size >= ENOUGH}
			<button class="btn preset-outlined-surface-300-700" disabled={sending} onclick={send}
				>That is enough: send {counted(heard.size, 'note')}</button
			>
		{/if}
	</p>
{:else}
	<h2>{heard.size >= ENOUGH ? `${counted(heard.size, 'note')} heard` : 'Too little was heard'}</h2>
	<p class="row">
		{#if heard.size >= ENOUGH}
			<button class="btn preset-filled-brand" disabled={sending} onclick={send}>See what they tell</button>
		{/if}
		<button class="btn preset-outlined-surface-300-700" disabled={sending} onclick={() => look.again()}
			>From the beginning</button
		>
	</p>
{/if}
{#if listening.fault}<p class="problem" role="alert">{FAULT_WORDS[listening.fault]}</p>{/if}
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}

<style>
	.lead {
		font-size: 1.15rem;
		max-width: 36rem;
	}
	ol {
		list-style: decimal;
		padding-left: 1.4rem;
		margin: 1rem 0;
		display: grid;
		gap: 0.4rem;
	}
	h2 {
		font-size: 1.7rem;
		margin-bottom: 1rem;
	}
	h2 b {
		font-family: var(--mono);
		margin-right: 0.6rem;
		color: var(--felt);
	}
	.said {
		min-height: 3.2rem;
		font-size: 1.1rem;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		align-items: center;
		margin: 1rem 0;
	}
</style>
