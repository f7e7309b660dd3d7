<script lang="ts">
	import { asReferencePitch, degreeOf, hz, reedOffset } from '@fendrel/core';
	import { inHz, signed } from '$lib/ui/format';
	import ScrollTable from '$lib/ui/ScrollTable.svelte';
	import { typedNumber } from '$lib/ui/typed';
	import type { ReedPlan } from '../reedPlan';
	import type { ReedVisit } from '../reedVisit.svelte';

	interface Props {
		open: ReedVisit;
		/** Told of degrees that are put where one wants them. */
		onown: (own: ReedPlan['own']) => void;
	}
	let { open, onown }: Props = $props();
	const { visit, reeds, intonation } = $derived(open);

	/** Degrees that the set has, on either plate. */
	const degrees = $derived(
		[...new Set(reeds.filter(({ role }) => role === 'own').map(({ note }) => ((note % 12) + 12) % 12))].sort(
			(a, b) => a - b
		)
	);
	const offsetOf = (degree: number, plate: 'blow' | 'draw') => {
		const reed = reeds.find(
			({ note, plate: of, role }) => role === 'own' && of === plate && ((note % 12) + 12) % 12 === degree
		);
		return reed && reedOffset(reed.note, plate, intonation);
	};
	let ownProblem = $state<string | undefined>();
	function typeOwn(degree: number, text: string) {
		const { [degree]: _, ...rest } = intonation.own;
		const value = typedNumber(text);
		ownProblem = undefined;
		if (text.trim() === '') return onown(rest);
		if (!(Math.abs(value) <= 100)) {
			ownProblem = `The ${degreeOf(degree)} stays as it was: write cents from −100 to 100.`;
			return;
		}
		onown({ ...rest, [degree]: value });
	}
</script>

<h2>
	<b>Where do the degrees go?</b> <span>cents from equal, and as the A4 at which a meter shows nothing</span>
</h2>
<div class="degrees">
	<ScrollTable label="Offsets by degree">
		<table class="figure-table">
			<thead
				><tr
					><th scope="col">Degree</th>{#each degrees as degree (degree)}<th scope="col" class="figure"
							>{degreeOf(degree)}</th
						>{/each}</tr
				></thead
			>
			<tbody>
				{#each ['blow', 'draw'] as const as plate (plate)}
					<tr>
						<th scope="row">{plate === 'blow' ? 'Blow' : 'Draw'}</th>
						{#each degrees as degree (degree)}
							{@const offset = offsetOf(degree, plate)}
							<td>
								{#if offset !== undefined}{signed(offset, 1)}<br /><span class="soft"
										>{inHz(asReferencePitch(hz(visit.a4), offset))}</span
									>{:else}–{/if}
							</td>
						{/each}
					</tr>
				{/each}
				<tr>
					<th scope="row">One’s own</th>
					{#each degrees as degree (degree)}
						<td
							><input
								class="input own"
								inputmode="decimal"
								aria-label="One’s own cents for the {degreeOf(degree)}"
								value={intonation.own[degree] ?? ''}
								onchange={(event) => typeOwn(degree, event.currentTarget.value)}
							/></td
						>
					{/each}
				</tr>
			</tbody>
		</table>
	</ScrollTable>
</div>
{#if ownProblem}<p class="problem" role="alert">{ownProblem}</p>{/if}

<style>
	.own {
		width: 4rem;
		padding: 0.2rem 0.3rem;
		text-align: right;
	}
	.degrees {
		flex: none;
	}
</style>
