<script lang="ts">
	import { clashes, noteClassName } from '@fendrel/core';
	import { untrack } from 'svelte';
	import NoteMatrix from '$lib/charts/NoteMatrix.svelte';
	import { send } from '$lib/device/send';
	import type { StoredTemperament } from '$lib/tuning/storedTemperament';
	import { fixed, inHz, signed } from '$lib/ui/format';
	import ClashList from './ClashList.svelte';
	import { ensembleSchema, type Ensemble, type EnsembleMember, type MayJoin } from './ensemble';
	import EnsembleMembers from './EnsembleMembers.svelte';
	import { agreementWords, joiningWords, sharedName } from './ensembleWords';
	import { meetingsOf, membersOf, worstOf } from './meeting';

	interface Props {
		ensemble: Ensemble;
		temperaments: readonly StoredTemperament[];
		/** Instruments of the register that may join. */
		instruments: readonly MayJoin[];
		mayWork: boolean;
		/** Told when it has been kept. */
		onkept?: () => unknown;
	}
	let { ensemble, temperaments, instruments, mayWork, onkept }: Props = $props();
	let name = $state(untrack(() => ensemble.name));
	let members = $state<EnsembleMember[]>(untrack(() => ensemble.members.map((each) => ({ ...each }))));
	let version = $state(untrack(() => ensemble.version));
	let kept = $state(untrack(() => JSON.stringify([ensemble.name, ensemble.members])));
	let problem = $state('');
	const isChanged = $derived(kept !== JSON.stringify([name, members]));

	const known = $derived(membersOf(members, temperaments));
	const meetings = $derived(meetingsOf(known, temperaments));
	let chosen = $state(0);
	const best = $derived(meetings[Math.min(chosen, meetings.length - 1)]);
	const worst = $derived(worstOf(known));
	/** Cents that two players hear at once on a long note. */
	const HURTS = 5;
	const rowsOf = (some: typeof known) =>
		some.flatMap((a, i) =>
			some.slice(i + 1).map((b) => ({
				name: `${a.name}, ${b.name}`,
				cells: clashes([a, b])
					.filter(({ interval }) => interval.semitones === 0)
					.map(({ off, beats }) => ({ off, beats }))
			}))
		);
	const rows = $derived(rowsOf(known));
	const after = $derived(best ? rowsOf(best.joining.map(({ member, then }) => ({ ...member, ...then }))) : []);
	const ROOTS = Array.from({ length: 12 }, (_, root) => root);

	async function keep() {
		const draft = ensembleSchema.safeParse({ name, members, version });
		problem = draft.success ? '' : draft.error.issues[0].message;
		if (!draft.success) return;
		const told = await send<{ version: number }>('PUT', `/api/ensembles/${ensemble.id}`, draft.data);
		if ('problem' in told) {
			problem = told.problem;
			return;
		}
		({ version } = told.value);
		kept = JSON.stringify([name, members]);
		onkept?.();
	}
</script>

<div class="columns">
	<EnsembleMembers bind:name bind:members {temperaments} {instruments} {mayWork} {isChanged} {problem} onkeep={keep} />
	<section class="found">
		{#if best && members.length}
			<p class="verdict" data-testid="agreement">{agreementWords(best, members)}</p>
			<div class="others" role="group" aria-label="What they might agree on">
				{#each meetings as meeting, i (`${meeting.shared.id} ${meeting.shared.root}`)}
					<button type="button" aria-pressed={meeting === best} onclick={() => (chosen = i)}>
						<b>{sharedName(meeting.shared)}</b>
						<span class="soft">{fixed(meeting.apart, 1)} apart at worst; {fixed(meeting.cost, 1)} to move</span>
					</button>
				{/each}
			</div>
			<h2><b>What does it cost each?</b></h2>
			<ul>
				{#each best.joining as joining (joining.member.id)}
					<li><b>{joining.member.name}</b> {joiningWords(joining)}</li>
				{/each}
			</ul>
			{#if rows.length}
				<h2>
					<b>Where do they clash now?</b>
					<span>the second over the first, cents by note; beneath: beats a second where they meet</span>
				</h2>
				<div class="scroll"><NoteMatrix {rows} label="Note against note, now" hurts={HURTS} /></div>
				<ClashList clashes={[...worst.unisons.slice(0, 3), ...worst.others.slice(0, 2)]} members={known} />
				<h2><b>And then?</b> <span>the same, once all have joined {sharedName(best.shared)}</span></h2>
				<div class="scroll"><NoteMatrix rows={after} label="Note against note, then" hurts={HURTS} /></div>
			{/if}
			<h2><b>For every player</b> <span>cents from equal temperament, at A4 = {inHz(best.a4)} Hz</span></h2>
			<div class="scroll">
				<table class="rule-table" aria-label="Sheet for every player">
					<thead
						><tr
							><th>Player</th><th class="figure">A4</th>{#each ROOTS as note (note)}<th class="figure"
									>{noteClassName(note)}</th
								>{/each}</tr
						></thead
					>
					<tbody>
						{#each best.joining as { member, then } (member.id)}
							<tr>
								<td>{member.name}</td><td class="figure">{inHz(then.a4)}</td>
								{#each then.offsets as offset, note (note)}<td class="figure">{signed(offset)}</td>{/each}
							</tr>
						{/each}
					</tbody>
				</table>
			</div>
			<p class="print">
				<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => print()}
					>Print the sheet</button
				>
			</p>
		{:else}
			<p class="verdict">Add whoever plays together.</p>
		{/if}
	</section>
</div>

<style>
	.columns {
		display: grid;
		grid-template-columns: minmax(18rem, 24rem) minmax(0, 1fr);
		gap: 2.5rem;
		margin-top: 1.25rem;
	}
	.verdict {
		font-family: var(--serif);
		font-size: 1.6rem;
		line-height: 1.2;
	}
	.found {
		display: grid;
		gap: 0.8rem;
		align-content: start;
		min-width: 0;
	}
	.others {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	.others button {
		display: grid;
		text-align: left;
		padding: 0.4rem 0.8rem;
		border: 1px solid var(--line);
		border-radius: var(--radius-base);
		cursor: pointer;
	}
	.others button[aria-pressed='true'] {
		border-color: var(--felt);
		box-shadow: inset 3px 0 0 var(--felt);
	}
	h2 {
		font-family: inherit;
		font-size: 1rem;
		margin-top: 0.6rem;
	}
	h2 span {
		color: var(--soft);
	}
	.scroll {
		overflow-x: auto;
	}
	@media (max-width: 900px) {
		.columns {
			grid-template-columns: minmax(0, 1fr);
		}
	}
	@media print {
		.columns {
			display: block;
		}
		.others,
		.print {
			display: none;
		}
	}
</style>
