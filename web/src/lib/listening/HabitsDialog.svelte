<script lang="ts">
	import { ALL_PARTIALS, HIGHEST_LISTENED, MOMENTS, USUAL_HABITS, type ListeningHabits } from '@fendrel/core';
	import { untrack } from 'svelte';
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import DialogSheet from '$lib/ui/DialogSheet.svelte';
	import { sent } from '$lib/device/send';
	import { typedNumber } from '$lib/ui/typed';
	import { REGISTER_NAMES, registerReach } from './registers';

	interface Props {
		habits: ListeningHabits;
		open: boolean;
		/** Told when the workshop's habits have been kept. */
		onkept: (habits: ListeningHabits) => void;
	}
	let { habits, open = $bindable(), onkept }: Props = $props();
	let draft = $state<{ partial: number; moment: string }[]>([]);
	let problem = $state<string | undefined>();
	let saving = $state(false);

	const drafted = (from: ListeningHabits) => from.map(({ partial, moment }) => ({ partial, moment: String(moment) }));
	$effect(() => {
		if (!open) return;
		// What arrives while it is open takes nothing from what is being chosen.
		draft = untrack(() => drafted(habits));
		problem = undefined;
	});
	async function keep() {
		const wished = draft.map(({ partial, moment }, i) => ({
			to: USUAL_HABITS[i].to,
			partial,
			moment: typedNumber(moment)
		}));
		const wrong = wished.findIndex(
			({ moment }) => !(moment >= MOMENTS.earliest && moment <= MOMENTS.latest) || Number.isNaN(moment)
		);
		if (wrong >= 0) {
			problem = `${REGISTER_NAMES[wrong]}: enter a time from ${MOMENTS.earliest} to ${MOMENTS.latest} seconds.`;
			return;
		}
		saving = true;
		problem = await sent('PUT', '/api/listening', wished);
		saving = false;
		if (problem) return;
		open = false;
		onkept(wished);
	}
</script>

<DialogSheet {open} title="How a strike is read" onclose={() => (open = false)}>
	<p class="mb-3 max-w-[34rem] text-[0.95rem] leading-snug">
		Each register listens to one partial, and is read at a fixed time after the strike: late enough for the pitch to
		have settled, early enough for the note still to sound. Kept for the whole workshop.
	</p>
	<table>
		<thead><tr><th>register</th><th>notes</th><th>listens to</th><th>read after, seconds</th></tr></thead>
		<tbody>
			{#each draft as row, i (i)}
				<tr>
					<td>{REGISTER_NAMES[i]}</td>
					<td class="soft">{registerReach(USUAL_HABITS, i)}</td>
					<td>
						<select class="select" aria-label="{REGISTER_NAMES[i]}: listens to" bind:value={row.partial}>
							<option value={ALL_PARTIALS}>all partials together</option>
							{#each { length: HIGHEST_LISTENED }, k (k)}<option value={k + 1}>partial {k + 1}</option>{/each}
						</select>
					</td>
					<td>
						<input
							class="input"
							inputmode="decimal"
							aria-label="{REGISTER_NAMES[i]}: read after, seconds"
							bind:value={row.moment}
						/>
					</td>
				</tr>
			{/each}
		</tbody>
	</table>
	{#if problem}<p class="problem mt-3" role="alert">{problem}</p>{/if}
	<div class="mt-5 flex flex-wrap gap-2">
		<button type="button" class="btn preset-filled-brand" disabled={saving} onclick={keep}>Keep</button>
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => (draft = drafted(USUAL_HABITS))}
			>As usual</button
		>
		<Dialog.CloseTrigger class="btn preset-outlined-surface-300-700">Cancel</Dialog.CloseTrigger>
	</div>
</DialogSheet>

<style>
	table {
		border-collapse: collapse;
	}
	th {
		text-align: left;
		font-weight: 600;
		font-size: 0.85rem;
		color: var(--soft);
		padding-right: 1rem;
	}
	td {
		padding: 0.25rem 1rem 0.25rem 0;
	}
	select,
	input {
		min-height: 44px;
	}
	input {
		width: 6rem;
		font-family: var(--mono);
		text-align: right;
	}
</style>
