<script lang="ts">
	import {
		clashes,
		equalHz,
		hz,
		levelsOf,
		MOVES,
		noteClass,
		noteClassName,
		STEADY_REED,
		type Clash
	} from '@fendrel/core';
	import { onDestroy, untrack } from 'svelte';
	import { v4 as uuid } from 'uuid';
	import NoteMatrix from '$lib/charts/NoteMatrix.svelte';
	import { send } from '$lib/device/send';
	import { Player } from '$lib/audio/player.svelte';
	import { grouped, type StoredTemperament } from '$lib/tuning/storedTemperament';
	import { soundingWorker } from '$lib/workers/sounding.client';
	import { inHz, signed } from '$lib/ui/format';
	import { typedNumber } from '$lib/ui/typed';
	import { ensembleSchema, MOST_MEMBERS, type Ensemble, type EnsembleMember } from './ensemble';
	import { agreementWords, clashWords, joiningWords, MOVES_NAMES, sharedName } from './ensembleWords';
	import { meetingsOf, membersOf, worstOf } from './meeting';

	interface Props {
		ensemble: Ensemble;
		temperaments: readonly StoredTemperament[];
		/** Instruments of the register that may join. */
		instruments: readonly Pick<
			EnsembleMember,
			'id' | 'name' | 'lowest' | 'highest' | 'a4' | 'moves' | 'temperamentId'
		>[];
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
			some.slice(i + 1).map((b, k) => ({
				name: `${a.name}, ${b.name}`,
				cells: clashes([a, b])
					.filter(({ interval }) => interval.semitones === 0)
					.map(({ off, beats }) => ({ off, beats })),
				at: [i, i + 1 + k]
			}))
		);
	const rows = $derived(rowsOf(known));
	const after = $derived(best ? rowsOf(best.joining.map(({ member, then }) => ({ ...member, ...then }))) : []);
	const ROOTS = Array.from({ length: 12 }, (_, root) => root);

	function add(from: string) {
		const instrument = instruments.find(({ id }) => id === from);
		const equal = temperaments.find(({ slug }) => slug === 'equal')!;
		members.push({
			...{ id: uuid(), name: instrument?.name ?? `Player ${members.length + 1}`, instrumentId: instrument?.id ?? null },
			...{ temperamentId: instrument?.temperamentId ?? equal.id, root: 0, a4: instrument?.a4 ?? 440 },
			...{
				moves: instrument?.moves ?? 'everything',
				lowest: instrument?.lowest ?? 48,
				highest: instrument?.highest ?? 84
			}
		});
	}
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

	const player = new Player();
	onDestroy(() => player.close());
	/** The two as they sound: bowed tones at their pitches, together. */
	async function hear(id: string, { lower, upper, interval, at }: Clash) {
		if (player.playing === id) return player.stop();
		if (at === undefined) return;
		const pitch = (member: (typeof known)[number], note: number) =>
			equalHz(note, hz(440)) * 2 ** (levelsOf(member)[noteClass(note)] / 1200);
		const tones = [pitch(known[lower], at), pitch(known[upper], at + interval.semitones)].map((each, i) => ({
			...{ ...STEADY_REED, brightness: 0.7, seconds: 3.5, noise: 50, pitch: each, seed: 5 + i }
		}));
		const sampleRate = 44_100;
		const worker = soundingWorker();
		await player.track(id, async (signal) => {
			const samples = await worker.run('lasting', { tones, sampleRate }, { signal }).finally(() => worker.close());
			return { samples, sampleRate };
		});
	}
</script>

<div class="columns">
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
					>on <select
						class="select fit"
						aria-label="Root of {member.name}"
						bind:value={member.root}
						disabled={!mayWork}
					>
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
						onchange={(event) => (member.a4 = typedNumber(event.currentTarget.value))}
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
					<option value="own">Somebody else’s instrument</option>
					<optgroup label="From the register">
						{#each instruments as { id, name: of } (id)}<option value={id}>{of}</option>{/each}
					</optgroup>
				</select>
				<button type="button" class="btn preset-filled-brand" disabled={!isChanged} onclick={keep}>Keep</button>
			</div>
			{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
		{/if}
	</section>
	<section class="found">
		{#if best && members.length}
			<p class="verdict" data-testid="agreement">{agreementWords(best, members)}</p>
			<div class="others" role="group" aria-label="What they might agree on">
				{#each meetings as meeting, i (`${meeting.shared.id} ${meeting.shared.root}`)}
					<button type="button" aria-pressed={meeting === best} onclick={() => (chosen = i)}>
						<b>{sharedName(meeting.shared)}</b>
						<span class="soft">{meeting.apart.toFixed(1)} apart at worst; {meeting.cost.toFixed(1)} to move</span>
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
				<ul class="worst">
					{#each [...worst.unisons.slice(0, 3), ...worst.others.slice(0, 2)] as each (`${each.lower} ${each.upper} ${each.interval.semitones} ${each.note}`)}
						{@const id = `${each.lower} ${each.upper} ${each.interval.semitones} ${each.note}`}
						<li>
							{clashWords(each, members)}
							<button type="button" class="choice" onclick={() => hear(id, each)}
								>{player.playing === id ? 'Stop' : 'Hear it'}</button
							>
						</li>
					{/each}
				</ul>
				{#if player.problem}<p class="problem" role="alert">{player.problem}</p>{/if}
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
	.worst li {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 1rem;
		border-bottom: 1px solid var(--line);
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
		.members,
		.others,
		.worst,
		.print {
			display: none;
		}
	}
</style>
