<script lang="ts">
	import { A4_RANGE, MOVES, noteClassName } from '@fendrel/core';
	import { v4 as uuid } from 'uuid';
	import { grouped, type StoredTemperament } from '$lib/tuning/storedTemperament';
	import { inHz } from '$lib/ui/format';
	import { typedNumber } from '$lib/ui/typed';
	import { A4_OUTSIDE, MOST_MEMBERS, type EnsembleMember, type MayJoin } from './ensemble';
	import { MOVES_NAMES } from './ensembleWords';

	interface Props {
		name: string;
		members: EnsembleMember[];
		temperaments: readonly StoredTemperament[];
		/** Instruments of the register that may join. */
		instruments: readonly MayJoin[];
		mayWork: boolean;
		/** Otherwise than it was kept. */
		isChanged: boolean;
		/** Why it was not kept. */
		problem: string;
		onkeep: () => void;
	}
	let {
		name = $bindable(),
		members = $bindable(),
		temperaments,
		instruments,
		mayWork,
		isChanged,
		problem,
		onkeep
	}: Props = $props();
	let wrong = $state('');
	const ROOTS = Array.from({ length: 12 }, (_, root) => root);

	function add(from: string) {
		const { id: _, ...instrument } = instruments.find(({ id }) => id === from) ?? {
			...{ id: from, name: `Player ${members.length + 1}`, a4: 440, moves: 'everything' as const },
			...{ temperamentId: temperaments.find(({ slug }) => slug === 'equal')!.id, lowest: 48, highest: 84 }
		};
		members.push({ ...instrument, id: uuid(), instrumentId: from === OWN ? null : from, root: 0 });
	}
	const OWN = 'own';
	/** What is no pitch at all is not taken: everything is computed from it. */
	function typeA4(member: EnsembleMember, input: HTMLInputElement) {
		const a4 = typedNumber(input.value);
		wrong = a4 >= A4_RANGE.lowest && a4 <= A4_RANGE.highest ? '' : A4_OUTSIDE;
		if (wrong) input.value = inHz(member.a4);
		else member.a4 = a4;
	}
</script>

<section class="members" aria-label="Members">
	<label class="field"><span>Ensemble</span><input class="input" bind:value={name} disabled={!mayWork} /></label>
	{#each members as member, i (member.id)}
		<fieldset aria-label={member.name}>
			<input class="input name" aria-label="Name of member {i + 1}" bind:value={member.name} disabled={!mayWork} />
			<select
				class="select"
				aria-label="Temperament of {member.name}"
				bind:value={member.temperamentId}
				disabled={!mayWork}
			>
				{#each grouped(temperaments) as { title, members: some } (title)}
					<optgroup label={title}
						>{#each some as { id, name: of } (id)}<option value={id}>{of}</option>{/each}</optgroup
					>
				{/each}
			</select>
			<label
				>on <select class="select fit" aria-label="Root of {member.name}" bind:value={member.root} disabled={!mayWork}>
					{#each ROOTS as root (root)}<option value={root}>{noteClassName(root)}</option>{/each}
				</select></label
			>
			<label
				>A4 <input
					class="input a4"
					inputmode="decimal"
					aria-label="A4 of {member.name}"
					value={inHz(member.a4)}
					disabled={!mayWork}
					onchange={(event) => typeA4(member, event.currentTarget)}
				/></label
			>
			{#if mayWork}<button
					type="button"
					class="choice"
					aria-label="Leave out {member.name}"
					onclick={() => members.splice(i, 1)}>Leave out</button
				>{/if}
			<label class="moves"
				>can move <select
					class="select"
					aria-label="{member.name} can move"
					bind:value={member.moves}
					disabled={!mayWork}
				>
					{#each MOVES as moves (moves)}<option value={moves}>{MOVES_NAMES[moves]}</option>{/each}
				</select></label
			>
		</fieldset>
	{/each}
	{#if mayWork}
		<div class="acts">
			<select
				class="select"
				aria-label="Add a member"
				value=""
				disabled={members.length >= MOST_MEMBERS}
				onchange={(event) => {
					add(event.currentTarget.value);
					event.currentTarget.value = '';
				}}
			>
				<option value="" disabled>Add a member …</option>
				<option value={OWN}>Somebody else’s instrument</option>
				<optgroup label="From the register">
					{#each instruments as { id, name: of } (id)}<option value={id}>{of}</option>{/each}
				</optgroup>
			</select>
			<button type="button" class="btn preset-filled-brand" disabled={!isChanged} onclick={onkeep}>Keep</button>
		</div>
		{#if wrong || problem}<p class="problem" role="alert">{wrong || problem}</p>{/if}
	{/if}
</section>

<style>
	.members {
		display: grid;
		gap: 0.9rem;
		align-content: start;
	}
	fieldset {
		display: grid;
		grid-template-columns: auto 1fr auto;
		gap: 0.4rem 0.8rem;
		padding-bottom: 0.9rem;
		border-bottom: 1px solid var(--line);
		align-items: center;
	}
	.name,
	.moves,
	fieldset > .select {
		grid-column: 1 / -1;
	}
	.name {
		font-weight: 700;
	}
	label:not(.field) {
		display: flex;
		gap: 0.5rem;
		align-items: center;
		white-space: nowrap;
	}
	.a4 {
		width: 5.5rem;
		font-family: var(--mono);
	}
	.acts {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 0.5rem;
	}
	@media print {
		.members {
			display: none;
		}
	}
</style>
