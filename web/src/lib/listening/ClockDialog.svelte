<script lang="ts">
	import type { ReferenceTone, ToneProblem } from '@fendrel/core';
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import DialogSheet from '$lib/ui/DialogSheet.svelte';
	import type { Listening } from '$lib/audio/listening.svelte';
	import { fixed, signed } from '$lib/ui/format';
	import { typedNumber } from '$lib/ui/typed';

	let { listening, open = $bindable() }: { listening: Listening; open: boolean } = $props();
	const SECONDS = 8;
	let known = $state('440');
	let measuring = $state(false);
	let found = $state.raw<ReferenceTone | undefined>();
	let problem = $state<string | undefined>();
	const WORDS: Record<ToneProblem, string> = {
		'too quiet': 'The tone was barely audible. Bring it closer to the microphone and measure again.',
		'not steady': 'It was not one steady tone. Use a signal generator or a time signal, not a string or a voice.',
		'too far off': 'That is more than 20 cents from the frequency above. Is it the right tone?'
	};
	$effect(() => {
		if (!open) return;
		found = undefined;
		problem = undefined;
	});
	async function measure() {
		const frequency = typedNumber(known);
		found = undefined;
		problem = undefined;
		if (!(frequency >= 100 && frequency <= 5000)) {
			problem = 'Enter the frequency of the tone in hertz, from 100 to 5000.';
			return;
		}
		measuring = true;
		const heard = await listening.reference(frequency, SECONDS);
		measuring = false;
		if (!heard) problem = 'The microphone stopped. Press Listen and measure again.';
		else if ('problem' in heard) problem = WORDS[heard.problem];
		else found = heard;
	}
	function keep(offset: number) {
		listening.keepClock(offset);
		open = false;
	}
</script>

<DialogSheet {open} title="This microphone’s clock" onclose={() => (open = false)} sheet="max-w-[34rem]">
	<p class="mb-3 text-[0.95rem] leading-snug">
		A sound card’s clock may be off by a cent or two, and every pitch with it. Play a tone whose frequency you can
		trust, such as a signal generator or a time signal, and let it sound for {SECONDS} seconds.
	</p>
	<label class="row">
		<span>The tone has</span>
		<input class="input" inputmode="decimal" bind:value={known} disabled={measuring} />
		<span>Hz</span>
		<button type="button" class="btn preset-filled-brand" disabled={measuring} onclick={measure}
			>{measuring ? `Listening, ${SECONDS} s` : 'Measure'}</button
		>
	</label>
	<div class="said" role="status">
		{#if problem}<p class="problem">{problem}</p>
		{:else if found}
			<p>
				Heard at <b>{fixed(found.frequency, 3)} Hz</b>: this clock hears everything
				<b>{fixed(Math.abs(found.offset), 2)} cents {found.offset < 0 ? 'flat' : 'sharp'}</b>
				<span class="soft">±{fixed(Math.max(0.01, 2 * found.offsetError), 2)}</span>.
			</p>
		{:else if listening.clock !== 0}
			<p>Pitches are being corrected by {signed(-listening.clock, 2)} cents now.</p>
		{:else}<p class="soft">No correction is stored for this microphone.</p>{/if}
	</div>
	<div class="mt-4 flex flex-wrap gap-2">
		{#if found}
			<button type="button" class="btn preset-filled-brand" onclick={() => keep(found!.offset)}
				>Correct by {signed(-found.offset, 2)} cents</button
			>
		{/if}
		{#if listening.clock !== 0}
			<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => keep(0)}
				>Remove the correction</button
			>
		{/if}
		<Dialog.CloseTrigger class="btn preset-outlined-surface-300-700">Close</Dialog.CloseTrigger>
	</div>
</DialogSheet>

<style>
	.row {
		display: flex;
		align-items: center;
		gap: 0.6rem;
	}
	input {
		width: 7rem;
		min-height: 44px;
		font-family: var(--mono);
		text-align: right;
	}
	.said {
		min-height: 3.2rem;
		padding-top: 0.8rem;
	}
</style>
