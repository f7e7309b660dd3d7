<script lang="ts">
	import ThirdsProfile from '$lib/charts/ThirdsProfile.svelte';
	import type { StoredTemperament } from '$lib/tuning/storedTemperament';
	import { thirdsByFifths } from './figures';

	let {
		members,
		taken,
		ontake
	}: {
		members: readonly Pick<StoredTemperament, 'slug' | 'name' | 'period' | 'character' | 'tuning'>[];
		/** Slugs to compare. */
		taken: readonly string[];
		ontake: (slug: string, on: boolean) => void;
	} = $props();
</script>

<ul>
	{#each members as each (each.slug)}
		<li>
			<label class="tick"
				><input
					type="checkbox"
					aria-label="Compare {each.name}"
					checked={taken.includes(each.slug)}
					onchange={(event) => ontake(each.slug, event.currentTarget.checked)}
				/></label
			>
			<a href="/temperaments/{each.slug}">{each.name}</a>
			<span class="period soft">{each.period}</span>
			<span class="picture"
				><ThirdsProfile small height={40} series={[{ name: each.name, sizes: thirdsByFifths(each) }]} /></span
			>
			<span class="character">{each.character}</span>
		</li>
	{/each}
</ul>

<style>
	li {
		display: grid;
		grid-template-columns: 44px 15.5rem 11rem 130px minmax(0, 1fr);
		gap: 0 1rem;
		align-items: center;
		border-bottom: 1px solid var(--line);
		min-height: 54px;
	}
	.tick {
		display: grid;
		place-items: center;
		min-height: 44px;
		cursor: pointer;
	}
	.tick input {
		width: 18px;
		height: 18px;
		accent-color: var(--felt);
	}
	li > a {
		font-weight: 700;
		min-height: 44px;
		display: flex;
		align-items: center;
	}
	.period,
	.character {
		font-size: 0.92rem;
		line-height: 1.3;
	}
	@media (max-width: 1000px) {
		li {
			grid-template-columns: 44px minmax(0, 1fr) 130px;
			padding: 0.4rem 0;
		}
		.period {
			display: none;
		}
		.character {
			grid-column: 2 / -1;
		}
	}
</style>
