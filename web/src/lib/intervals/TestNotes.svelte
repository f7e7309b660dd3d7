<script lang="ts">
	import {
		compareBeats,
		noteName,
		type AskedKeys,
		type Coincidence,
		type HeardBeat,
		type TestNote
	} from '@fendrel/core';
	import { errorWords, heardRate } from '$lib/pairs/pairWords';
	import { meetingName } from './meeting';
	import { testPair } from './testPairs';
	import { fixed } from '$lib/ui/format';

	interface Props {
		tests: readonly TestNote[];
		lower: number;
		upper: number;
		/** Where the interval is looked at. */
		chosen: Coincidence;
		/** What was heard last of two keys. */
		heard: (keys: AskedKeys) => HeardBeat | undefined;
		/** Strikes keys of the simulated instrument, where that is what is listened to. */
		onstrike: ((notes: readonly number[]) => void) | undefined;
	}
	let { tests, lower, upper, chosen, heard, onstrike }: Props = $props();
	const [best] = $derived(tests);
	/** What was heard of each test pair. */
	const pairs = $derived(
		tests.map((test) => ({
			test,
			withLower: heard(testPair(test, lower, chosen.lowerPartial)),
			withUpper: heard(testPair(test, upper, chosen.upperPartial))
		}))
	);
	/** The first test of which both sides were heard, as one comparison. */
	const proof = $derived.by(() => {
		for (const { test, withLower, withUpper } of pairs) {
			const compared = withLower && withUpper && compareBeats(withLower, withUpper);
			if (compared) return { test, ...compared };
		}
		return undefined;
	});
	const proves = $derived.by(() => {
		if (!proof) return '';
		if (proof.says === undefined) return 'too close to tell';
		if (proof.says === 'alike') return 'alike: pure';
		const isUpper = proof.says === 'second is faster';
		return (proof.test.fasterMeansWide === 'upper') === isUpper ? 'wide' : 'narrow';
	});
	const faster = $derived(best && (best.fasterMeansWide === 'upper' ? noteName(upper) : noteName(lower)));
</script>

<section aria-label="Test notes">
	<h2 class="panel-heading">Which test notes prove it? <span>for {meetingName(chosen)}</span></h2>
	{#if best}
		<p class="verdict">
			Play {noteName(best.note)} with {noteName(lower)}, then with {noteName(upper)}.
		</p>
		{#if onstrike}
			<p class="strikes">
				{#each [lower, upper] as note (note)}
					<button type="button" class="choice" onclick={() => onstrike([best.note, note])}
						>Strike {noteName(best.note)} with {noteName(note)}</button
					>
				{/each}
			</p>
		{/if}
		<p>
			As it should be: {fixed(Math.abs(best.withLower), 1)} and {fixed(Math.abs(best.withUpper), 1)} per second, so
			{best.says === 'pure' ? 'alike: pure' : `a trace ${best.says}`}. Faster with {faster} means wide, slower narrow, alike
			pure. {noteName(best.note)} itself need not be in tune.
		</p>
		{#if proof}
			<p data-testid="proof">
				Heard: {noteName(proof.test.note)} beats {fixed(Math.abs(proof.faster), 1)} ±{errorWords(proof.error)}
				{proof.faster < 0 ? 'slower' : 'faster'} with {noteName(upper)} than with {noteName(lower)}: <b>{proves}</b>.
			</p>
		{/if}
		<table class="rule-table">
			<thead>
				<tr>
					<th>Test note</th>
					<th class="figure">partial</th>
					<th class="figure">with {noteName(lower)}</th>
					<th class="figure">with {noteName(upper)}</th>
					<th>why</th>
				</tr>
			</thead>
			<tbody>
				{#each pairs as { test: { note, partial, withLower, withUpper, why }, withLower: low, withUpper: high } (100 * note + partial)}
					<tr>
						<td><b>{noteName(note)}</b></td>
						<td class="figure">{partial}</td>
						<td class="figure"
							>{fixed(Math.abs(withLower), 1)}{#if low}<i>{heardRate(low)}</i>{/if}</td
						>
						<td class="figure"
							>{fixed(Math.abs(withUpper), 1)}{#if high}<i>{heardRate(high)}</i>{/if}</td
						>
						<td class="why">{why}</td>
					</tr>
				{/each}
			</tbody>
		</table>
	{:else}
		<p>
			No note of this instrument beats with both at 3 to 12 per second there. Listen to the interval itself, or choose
			another coincidence.
		</p>
	{/if}
</section>

<style>
	section {
		display: grid;
		gap: 0.5rem;
		align-content: start;
	}
	i {
		display: block;
		font-style: normal;
		color: var(--felt);
	}
	.verdict {
		font-size: 1.3rem;
	}
	.strikes {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	.why {
		font-size: 0.9rem;
		color: var(--soft);
		padding-left: 0.75rem;
	}
	td {
		padding-block: 0.35rem;
	}
</style>
