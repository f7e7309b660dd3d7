<script lang="ts">
	import type { Steadiness } from '@fendrel/core';
	import { fixed } from '$lib/ui/format';

	let { registers }: { registers: readonly Steadiness[] } = $props();
	/** So many strings tell something. */
	const FEWEST = 20;
	const told = $derived(registers.filter(({ strings }) => strings >= FEWEST));
	const worst = $derived(
		told.reduce<Steadiness | undefined>((most, each) => (!most || each.half > most.half ? each : most), undefined)
	);
</script>

{#if told.length}
	<section aria-label="How steady your strings stay">
		<h2 class="asks">
			<b>How steady do your strings stay?</b>
			<span>from how you left them to how the next visit found them, the air taken out</span>
		</h2>
		{#if worst}<p>
				Least in the {worst.register}: half of them within {fixed(worst.half, 1)} cents.
			</p>{/if}
		<table class="rule-table">
			<thead
				><tr
					><th>Register</th><th class="figure">Half within, cents</th><th class="figure">Within a cent</th><th
						class="figure">Strings</th
					></tr
				></thead
			>
			<tbody>
				{#each told as { register, half, within, strings } (register)}
					<tr>
						<th scope="row">{register}</th>
						<td class="figure">{fixed(half, 1)}</td>
						<td class="figure">{fixed(100 * within, 0)} %</td>
						<td class="figure">{strings}</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</section>
{/if}

<style>
	section {
		margin-top: 2rem;
		max-width: 46rem;
	}
</style>
