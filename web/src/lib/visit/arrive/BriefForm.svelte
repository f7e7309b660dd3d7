<script lang="ts">
	import { isKeyboardKind, PLAYED, VISIT_PURPOSES, type Brief, type InstrumentKind } from '@fendrel/core';
	import { ownerNow } from '$lib/device/owner';
	import { LINE_LIMIT, NOTE_LIMIT } from '$lib/ui/limits';
	import type { OpenVisit } from '../openVisit.svelte';
	import { briefOf } from '../brief';
	import { PURPOSE_NAMES } from '$lib/settings/settings';
	import { PLAYED_WORDS } from './arriveWords';

	let { open }: { open: OpenVisit } = $props();
	const arrival = $derived(open.record.report.arrival);
	const brief = $derived(briefOf(open));

	/** Nothing is changed by looking: who allowed it is all there is to say. */
	function allow(from: string) {
		const by = ownerNow()?.name ?? 'the technician';
		if (from) open.record.act({ do: 'consent', to: 'look', explained: LOOKED, by, from, given: true });
	}
	/** What a player asks for, by kind. */
	const WISHES: Partial<Record<InstrumentKind, string>> = {
		reeds: 'player, breath, music, pitch',
		frets: 'pitch, temperament, keys that are played'
	};
	const LOOKED = 'It is opened, looked over and played; nothing is changed.';

	/** What stands from the last visit goes along with the first word of this one. */
	function say(said: Partial<Brief>) {
		open.record.act({ do: 'brief', brief: arrival.isBriefed ? said : { ...brief, ...said } });
	}
</script>

<form class="brief" onsubmit={(event) => event.preventDefault()}>
	<label
		>For
		<select
			class="select"
			value={brief.purpose}
			onchange={(event) => say({ purpose: event.currentTarget.value as Brief['purpose'] })}
		>
			{#each VISIT_PURPOSES as id (id)}<option value={id}>{PURPOSE_NAMES[id]}</option>{/each}
		</select></label
	>
	<label
		>Ready by
		<input
			class="input"
			type="date"
			value={brief.due ?? ''}
			onchange={(event) => say({ due: event.currentTarget.value || null })}
		/></label
	>
	<label
		>Played
		<select
			class="select"
			value={brief.played ?? ''}
			onchange={(event) => say({ played: (event.currentTarget.value || null) as Brief['played'] })}
		>
			<option value="">Not said</option>
			{#each PLAYED as id (id)}<option value={id}>{PLAYED_WORDS[id]}</option>{/each}
		</select></label
	>
	{#if isKeyboardKind(open.instrument.kind)}
		<label
			>Pins and lever
			<input
				class="input"
				placeholder="square, star head 2"
				maxlength={LINE_LIMIT}
				value={brief.pins}
				onchange={(event) => say({ pins: event.currentTarget.value.trim() })}
			/></label
		>
	{/if}
	<label class="wide"
		>Leave to look, given by
		<input
			class="input"
			placeholder="who let you in"
			maxlength={LINE_LIMIT}
			value={arrival.consents.get('look')?.from ?? ''}
			onchange={(event) => allow(event.currentTarget.value.trim())}
		/></label
	>
	<label class="wide"
		>Wishes
		<input
			class="input"
			placeholder={WISHES[open.instrument.kind] ?? 'pitch, temperament'}
			maxlength={NOTE_LIMIT}
			value={brief.wishes}
			onchange={(event) => say({ wishes: event.currentTarget.value.trim() })}
		/></label
	>
	<label class="wide"
		>In the player’s words
		<input
			class="input"
			placeholder="a complaint, as it was said"
			maxlength={NOTE_LIMIT}
			value={brief.complaint}
			onchange={(event) => say({ complaint: event.currentTarget.value.trim() })}
		/></label
	>
</form>

<style>
	.brief {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0.5rem 0.75rem;
	}
	.wide {
		grid-column: 1 / -1;
	}
	label {
		color: var(--soft);
		font-size: 0.9rem;
	}
	.input,
	.select {
		display: block;
		width: 100%;
		min-height: 44px;
		color: var(--ink);
		font-size: 1rem;
	}
</style>
