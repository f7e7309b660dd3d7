<script lang="ts" generics="Body">
	import { onMount } from 'svelte';
	import Clock from '@lucide/svelte/icons/clock';
	import Lock from '@lucide/svelte/icons/lock';
	import LockOpen from '@lucide/svelte/icons/lock-open';
	import Maximize from '@lucide/svelte/icons/maximize';
	import Minimize from '@lucide/svelte/icons/minimize';
	import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
	import { CUE_WAYS, type CueWay } from './cues.svelte';
	import type { SetSession } from './session.svelte';

	/** How one works with both hands at the instrument: which note stays, how large, and what is told to whoever does not look. */
	interface Props {
		session: SetSession<Body>;
		/** When one has to be done; undefined: nobody has said. */
		until: number | undefined;
		/** A pass goes over all notes, whatever time is left. */
		isRaise: boolean;
	}
	let { session, until, isRaise }: Props = $props();
	const { others } = $derived(session.setting);
	let now = $state(Date.now());
	onMount(() => {
		const timer = setInterval(() => (now = Date.now()), 10_000);
		return () => clearInterval(timer);
	});
	const left = $derived(until === undefined ? undefined : Math.max(0, Math.round((until - now) / 60_000)));
	const WAYS: Record<CueWay, string> = { silent: 'No cue', tones: 'Tones', spoken: 'Spoken' };
</script>

<div class="hands">
	<button
		type="button"
		aria-pressed={others.isLocked}
		title={others.isLocked
			? 'The due note stays (K)'
			: 'Another note struck twice becomes due; press to lock this one (K)'}
		onclick={() => session.do({ do: 'lock' })}
		>{#if others.isLocked}<Lock size={17} aria-hidden="true" /> Locked{:else}<LockOpen size={17} aria-hidden="true" /> Lock{/if}</button
	>
	<button
		type="button"
		aria-pressed={session.isLarge}
		title="Figures as large as the screen (F)"
		onclick={() => session.do({ do: 'large' })}
		>{#if session.isLarge}<Minimize size={17} aria-hidden="true" /> Usual size{:else}<Maximize
				size={17}
				aria-hidden="true"
			/> Large{/if}</button
	>
	<button type="button" title="A fault, or its string broke (X)" onclick={() => session.do({ do: 'fault' })}
		><TriangleAlert size={17} aria-hidden="true" /> Fault</button
	>
	{#if !isRaise}<button
			type="button"
			title="The time that is left, and what is played (T)"
			onclick={() => session.do({ do: 'time' })}
			><Clock size={17} aria-hidden="true" /> {left === undefined ? 'Time' : `${left} min`}</button
		>{/if}
	<select
		class="select"
		aria-label="Cues once the string is silent"
		value={session.cues.way}
		onchange={(event) => session.cues.choose(event.currentTarget.value as CueWay)}
	>
		{#each CUE_WAYS as way (way)}<option value={way}>{WAYS[way]}</option>{/each}
	</select>
</div>

<style>
	.hands {
		display: flex;
		gap: 0.25rem;
		align-items: center;
		/* Beside the word of the figure, which stands at the other end. */
		margin-bottom: -1.5rem;
		align-self: flex-start;
		position: relative;
	}
	button {
		display: inline-flex;
		align-items: center;
		gap: 0.35rem;
		min-height: 44px;
		padding: 0 0.4rem;
		color: var(--soft);
		cursor: pointer;
		white-space: nowrap;
	}
	[aria-pressed='true'] {
		color: var(--felt);
		font-weight: 600;
	}
	.select {
		width: 6.2rem;
	}
	@media (max-width: 820px) {
		.hands {
			flex-wrap: wrap;
			margin-bottom: 0;
		}
	}
</style>
