<script lang="ts">
	import { noteName } from '@fendrel/core';
	import BesideLines from '$lib/charts/BesideLines.svelte';
	import { inHz, signed } from '$lib/ui/format';
	import {
		besideAccount,
		besideHeadline,
		isStanding,
		moveWords,
		READINESS,
		STANDING,
		type BesideChoice,
		type Stands
	} from './beside';
	import { degreeUnit, temperatureFigure } from '$lib/ui/measures';

	interface Props {
		choice: BesideChoice;
		/** The same as it was typed: what is wrong stays to be mended. */
		typed: Readonly<Record<string, string>>;
		/** The register's keyboards that have been set. */
		instruments: readonly { readonly id: string; readonly name: string }[];
		first: Stands | undefined;
		second: Stands | undefined;
		/** What is wrong with what was chosen. */
		problem: string | undefined;
		onchoose: (changes: Record<string, string>) => void;
	}
	let { choice, typed, instruments, first, second, problem, onchoose }: Props = $props();
	const account = $derived(first && second && besideAccount(first, second, choice));
	const hasStanding = $derived([choice.first, choice.second].some((id) => id && isStanding(id)));
	const hasOrgan = $derived([choice.first, choice.second].includes('organ'));
	/** A note of each octave, as a sheet shows it. */
	const shown = $derived(account?.notes.filter(({ note }) => note % 12 === 0 || note % 12 === 6) ?? []);
</script>

{#snippet who(name: 'first' | 'second', label: string)}
	{@const gives = `${name}Gives` as const}
	<fieldset>
		<legend>{label}</legend>
		<select
			class="select"
			aria-label={label}
			value={choice[name] ?? ''}
			onchange={(event) => onchoose({ [name]: event.currentTarget.value })}
		>
			<option value="" disabled>Choose</option>
			{#each instruments as { id, name: called } (id)}<option value={id}>{called}</option>{/each}
			{#each STANDING as { id, name: called } (id)}<option value={id}>{called}</option>{/each}
		</select>
		<select
			class="select"
			aria-label="{label} gives way"
			value={choice[gives]}
			onchange={(event) => onchoose({ [gives]: event.currentTarget.value })}
		>
			{#each READINESS as { id, label: says } (id)}<option value={id}>{says}</option>{/each}
		</select>
	</fieldset>
{/snippet}

{#snippet figure(name: 'a4' | 'read' | 'played', label: string, value: string)}
	<label
		><span>{label}</span>
		<input
			class="input"
			inputmode="decimal"
			{value}
			onchange={(event) => onchoose({ [name]: event.currentTarget.value.replace(',', '.') })}
		/></label
	>
{/snippet}

<div class="chosen">
	{@render who('first', 'The first')}
	{@render who('second', 'The second')}
	{#if hasStanding}
		<fieldset>
			<legend>What is not in the register</legend>
			{@render figure('a4', 'A4, Hz', typed.a4 ?? inHz(choice.a4))}
			{#if hasOrgan}
				{@render figure('read', `read at ${degreeUnit()}`, typed.read ?? temperatureFigure(choice.read, 0))}
				{@render figure('played', `played at ${degreeUnit()}`, typed.played ?? temperatureFigure(choice.played, 0))}
			{/if}
		</fieldset>
	{/if}
</div>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
{#if !first || !second}
	{#if !problem}<p>Choose two: pianos as they were left last, or what stands at a pitch of its own.</p>{/if}
{:else if !account}
	<p>They share no note that was read.</p>
{:else}
	<p class="headline" data-testid="beside">{besideHeadline(account)}</p>
	<p>{moveWords(first, account.first)} {moveWords(second, account.second)}</p>
	<BesideLines notes={account.notes} first={first.name} second={second.name} />
	<table class="figure-table" aria-label="What each moves by, in cents">
		<thead
			><tr
				><th scope="col">Note</th><th scope="col" class="figure">apart now</th><th scope="col" class="figure"
					>{first.name}</th
				><th scope="col" class="figure">{second.name}</th><th scope="col" class="figure">left</th></tr
			></thead
		>
		<tbody>
			{#each shown as each (each.note)}
				<tr>
					<th scope="row">{noteName(each.note)}</th>
					<td>{signed(each.apart)}</td>
					<td>{signed(each.first)}</td>
					<td>{signed(each.second)}</td>
					<td>{signed(each.left)}</td>
				</tr>
			{/each}
		</tbody>
	</table>
{/if}

<style>
	.chosen {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr));
		gap: 1rem 1.5rem;
		margin-block: 1rem;
	}
	fieldset {
		display: grid;
		gap: 0.4rem;
		align-content: start;
	}
	legend {
		font-weight: 600;
		margin-bottom: 0.2rem;
	}
	label {
		display: grid;
		grid-template-columns: 8rem 7rem;
		align-items: center;
	}
	.headline {
		font-family: var(--serif);
		font-size: 1.4rem;
		line-height: 1.25;
		max-width: 52rem;
	}
</style>
