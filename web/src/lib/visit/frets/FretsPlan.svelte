<script lang="ts">
	import { onMount } from 'svelte';
	import { fretGroup, fretPlaceOf, isTied, noteName, parseKeys, STRING_ORDERS } from '@fendrel/core';
	import FretMap from '$lib/charts/FretMap.svelte';
	import { counted } from '$lib/ui/format';
	import Segments from '$lib/ui/Segments.svelte';
	import Shortcuts from '$lib/ui/Shortcuts.svelte';
	import A4Choice from '../plan/A4Choice.svelte';
	import TemperamentChoice from '../plan/TemperamentChoice.svelte';
	import ToleranceChoice from '../plan/ToleranceChoice.svelte';
	import TwoColumns from '../TwoColumns.svelte';
	import VisitFrame from '../VisitFrame.svelte';
	import { ORDER_NAMES, type FretPlan } from '../fretPlan';
	import { FRET_TOLERANCE, type FretVisit } from '../fretVisit.svelte';
	import FretStrip from './FretStrip.svelte';
	import { conflictWords, foundHeadline, shownFrets } from './fretWords';
	import LeftTable from './LeftTable.svelte';

	let { open }: { open: FretVisit } = $props();
	const { visit, body, frets, map } = $derived(open);
	onMount(() => open.record.enter('plan'));
	const plan = (changes: Partial<FretPlan>) => open.replan({ frets: { ...frets, ...changes } });
	const ORDERS = STRING_ORDERS.map((id) => ({ id, label: ORDER_NAMES[id] }));
	const WEIGHTS = [
		{ id: 0, label: 'leave out' },
		{ id: 1, label: 'as the rest' },
		{ id: 2, label: 'twice' }
	];
	const weightOf = (string: number) => frets.weights[string - 1] ?? 1;
	function weigh(string: number, weight: number) {
		plan({ weights: body.strings.map((_, i) => (i + 1 === string ? weight : weightOf(i + 1))) });
	}
	let problem = $state('');
	function takeKeys(text: string) {
		const read = parseKeys(text);
		problem = 'wrong' in read ? `“${read.wrong}” is no key. Type keys like C, G minor or E♭.` : '';
		if (!problem) plan({ keys: text.trim() });
	}
	const conflicts = $derived(map.filter(({ conflict }) => conflict));
	/** What a note would be, spelled otherwise: the same key of the temperament's other side. */
	const SHARPS = ['C', 'D', 'F', 'G', 'A'];
	const FLATS = ['D', 'E', 'G', 'A', 'B'];
	function otherName(group: number): string {
		const target = open.string(group)!;
		const at = [1, 3, 6, 8, 10].indexOf(((target.note % 12) + 12) % 12);
		const isSpelled = frets.spelled.includes(group);
		// The temperament has flats where the other spelling lies lower.
		const isFlat = (target.other ?? 0) < 0 !== isSpelled;
		return isFlat ? `${SHARPS[at]}♯` : `${FLATS[at]}♭`;
	}
	const spell = (group: number) =>
		plan({
			spelled: frets.spelled.includes(group)
				? frets.spelled.filter((each) => each !== group)
				: [...frets.spelled, group]
		});
	const toSpell = $derived(
		conflicts
			.flatMap(({ fret, conflict }) =>
				[...conflict!.nearer, ...conflict!.further].map((string) => fretGroup(string, fret))
			)
			.filter((group) => open.string(group)?.other !== undefined)
	);
	const wrong = $derived(map.flatMap(({ cannot }) => cannot).length);
	const keys = [{ keys: '?', does: 'show or hide this list' }];
</script>

<VisitFrame {open} stage="plan">
	<TwoColumns>
		{#snippet column()}
			<p class="headline" data-testid="verdict">
				{foundHeadline(open)}
				{#if open.isSurveyed && wrong}{counted(wrong, 'note')} more than {FRET_TOLERANCE} cents off afterwards.{/if}
			</p>
			<TemperamentChoice {open} />
			<A4Choice {open} />
			<ToleranceChoice {open} hint="cents, for open strings" />
			<fieldset>
				<legend>Strings</legend>
				<Segments
					label="Order of the strings"
					choices={ORDERS}
					chosen={frets.order}
					onchoose={(order) => plan({ order })}
				/>
			</fieldset>
			{#if isTied(body)}
				{#if conflicts.length}
					<section aria-label="Notes that are spelled in two ways">
						<h3>One fret cannot be both</h3>
						{#each conflicts as advice (advice.fret)}<p>{conflictWords(body, advice)}</p>{/each}
						<div class="spell">
							{#each toSpell as group (group)}
								<button
									type="button"
									class="choice"
									aria-pressed={frets.spelled.includes(group)}
									onclick={() => spell(group)}
									>{otherName(group)} on {noteName(body.strings[fretPlaceOf(group).string - 1].note)}</button
								>
							{/each}
						</div>
					</section>
				{:else if frets.spelled.length}
					<p>
						{counted(frets.spelled.length, 'note')} spelled otherwise than in the temperament.
						<button type="button" class="choice" onclick={() => plan({ spelled: [] })}
							>As the temperament has them</button
						>
					</p>
				{/if}
				<label class="keys"
					><span>Keys that are played</span>
					<input
						class="input"
						value={frets.keys}
						placeholder="all alike; or D minor, G, B♭"
						aria-invalid={!!problem}
						onchange={(event) => takeKeys(event.currentTarget.value)}
					/></label
				>
				{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
				<details>
					<summary>How much each string counts</summary>
					{#each body.strings as { note }, i (i)}
						<label class="keys"
							><span>{noteName(note)}</span>
							<select
								class="select"
								value={weightOf(i + 1)}
								onchange={(event) => weigh(i + 1, Number(event.currentTarget.value))}
							>
								{#each WEIGHTS as { id, label } (id)}<option value={id}>{label}</option>{/each}
							</select></label
						>
					{/each}
				</details>
			{/if}
			<p><a class="btn preset-filled-brand" href="/visits/{visit.id}/set">Set</a></p>
		{/snippet}
		{#snippet pictures()}
			<h2>
				<b>Where does each fret go?</b>
				<span>dashed: where it lies; line: where it goes; dots: where each string wants it</span>
			</h2>
			<FretMap neck={body} frets={shownFrets(open)} />
			{#if map.length}
				<h2><b>What stays wrong?</b> <span>cents, after the moves, by string and fret</span></h2>
				<LeftTable {open} as="then" />
				{#if !open.isSurveyed}<p class="soft">
						Nothing stopped has been read yet: these are frets as they usually lie.
					</p>{/if}
			{/if}
		{/snippet}
	</TwoColumns>
	{#snippet strip()}
		<FretStrip {open}>
			{#snippet hint()}<Shortcuts {keys} />{/snippet}
		</FretStrip>
	{/snippet}
</VisitFrame>

<style>
	.headline {
		font-family: var(--serif);
		font-size: 1.5rem;
		line-height: 1.15;
	}
	legend,
	h3 {
		font-family: inherit;
		font-size: 1rem;
		font-weight: 600;
		margin-bottom: 0.35rem;
	}
	.spell {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		margin-top: 0.4rem;
	}
	.keys {
		display: grid;
		grid-template-columns: 10rem minmax(0, 1fr);
		align-items: center;
		gap: 0.5rem;
	}
	summary {
		min-height: 44px;
		display: flex;
		align-items: center;
		cursor: pointer;
	}
</style>
