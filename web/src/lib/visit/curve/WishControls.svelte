<script lang="ts">
	import { PRIORITIES, priorityById, type PriorityId } from '@fendrel/core';
	import { TOP_RANGE, type CurveChoice } from '$lib/tuning/curve';
	import { signed } from '$lib/ui/format';

	let { wish = $bindable() }: { wish: CurveChoice } = $props();
	const about = $derived(priorityById(wish.lead).about);
	function blendWith(id: PriorityId | '') {
		wish = { ...wish, with: id === '' ? null : id, share: id === '' ? 0 : wish.share || 0.3 };
	}
</script>

<fieldset>
	<label>
		<b>What leads</b>
		<select
			class="select"
			value={wish.lead}
			onchange={(event) => {
				const lead = event.currentTarget.value as PriorityId;
				wish = wish.with === lead ? { ...wish, lead, with: null, share: 0 } : { ...wish, lead };
			}}
		>
			{#each PRIORITIES as { id, name } (id)}<option value={id}>{name}</option>{/each}
		</select>
	</label>
	<p class="soft">{about}</p>
	<label>
		<b>Blended with</b>
		<select
			class="select"
			value={wish.with ?? ''}
			onchange={(event) => blendWith(event.currentTarget.value as PriorityId | '')}
		>
			<option value="">nothing else</option>
			{#each PRIORITIES.filter(({ id }) => id !== wish.lead) as { id, name } (id)}<option value={id}>{name}</option
				>{/each}
		</select>
	</label>
	{#if wish.with !== null}
		<label class="slide">
			<span>its share <span class="mono">{Math.round(100 * wish.share)} %</span></span>
			<input
				type="range"
				min="0"
				max="100"
				step="1"
				value={Math.round(100 * wish.share)}
				oninput={(event) => (wish = { ...wish, share: Number(event.currentTarget.value) / 100 })}
			/>
		</label>
	{/if}
	<label class="slide">
		<span><b>More on top</b> <span class="mono">{signed(wish.top)}</span> cents at C8</span>
		<input
			type="range"
			min={TOP_RANGE.lowest}
			max={TOP_RANGE.highest}
			step="0.5"
			value={wish.top}
			oninput={(event) => (wish = { ...wish, top: Number(event.currentTarget.value) })}
		/>
	</label>
</fieldset>

<style>
	fieldset {
		display: grid;
		gap: 0.4rem;
	}
	label {
		display: grid;
		gap: 0.2rem;
	}
	p {
		font-size: 0.86rem;
		line-height: 1.3;
	}
	input[type='range'] {
		accent-color: var(--felt);
		width: 100%;
		min-height: 28px;
	}
</style>
