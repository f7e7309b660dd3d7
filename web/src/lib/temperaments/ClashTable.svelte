<script lang="ts">
	import { equalHz, hz, hzAbove, cents, noteClassName, offsetsFromEqual } from '@fendrel/core';
	import { fixed, signed } from '$lib/ui/format';
	import type { Tuned } from './figures';
	import ScrollTable from '$lib/ui/ScrollTable.svelte';

	let { shown, a4 }: { shown: readonly (Tuned & { readonly name: string })[]; a4: number } = $props();
	const LOWEST = 60;
	const offsets = $derived(shown.map((each) => offsetsFromEqual(each)));
	const pairs = $derived(
		shown.flatMap((one, i) =>
			shown.slice(i + 1).map((other, j) => ({ one, other, a: offsets[i], b: offsets[i + 1 + j] }))
		)
	);
	/** Further apart than this a unison of two players sounds out of tune. */
	const DISTURBS = 5;
	const pitch = (offset: number, i: number) => hzAbove(equalHz(LOWEST + i, hz(a4)), cents(offset));
	function worst(a: readonly number[], b: readonly number[]) {
		const apart = a.map((value, i) => Math.abs(value - b[i]));
		const most = Math.max(...apart);
		const out = apart.flatMap((value, i) => (value > DISTURBS ? [noteClassName(i)] : []));
		if (most < 0.005) return 'They are the same.';
		const where = noteClassName(apart.indexOf(most));
		return `Furthest apart on ${where}, ${fixed(most, 1)} cents. ${out.length ? `Over ${DISTURBS} cents: ${out.join(', ')}.` : `Nowhere over ${DISTURBS} cents.`}`;
	}
</script>

{#each pairs as { one, other, a, b } (one.name + other.name)}
	<p class="verdict">{one.name} with {other.name}: {worst(a, b)}</p>
	<ScrollTable label="{one.name} and {other.name}, note by note">
		<table class="figure-table">
			<thead
				><tr
					><th>cents</th>{#each { length: 12 } as _, i (i)}<th class="figure">{noteClassName(i)}4</th>{/each}</tr
				></thead
			>
			<tbody>
				<tr
					><th scope="row">{one.name}</th>{#each a as value, i (i)}<td>{signed(value, 2)}</td>{/each}</tr
				>
				<tr
					><th scope="row">{other.name}</th>{#each b as value, i (i)}<td>{signed(value, 2)}</td>{/each}</tr
				>
				<tr
					><th scope="row">apart, cents</th>{#each a as value, i (i)}<td class:out={Math.abs(value - b[i]) > DISTURBS}
							>{signed(value - b[i], 1)}</td
						>{/each}</tr
				>
				<tr
					><th scope="row">beats per second</th>{#each a as value, i (i)}<td
							>{fixed(Math.abs(pitch(value, i) - pitch(b[i], i)), 2)}</td
						>{/each}</tr
				>
			</tbody>
		</table>
	</ScrollTable>
{/each}

<style>
	.verdict {
		font-size: 1.15rem;
		margin-top: 0.6rem;
	}
	.out {
		font-weight: 700;
		text-decoration: underline;
	}
</style>
