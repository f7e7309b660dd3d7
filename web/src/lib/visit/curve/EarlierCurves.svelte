<script lang="ts">
	import { wishWords, type CurveChoice, type KeptCurve } from '$lib/tuning/curve';
	import { onShortDay } from '$lib/ui/format';

	interface Props {
		curves: readonly KeptCurve[];
		planned: string | undefined;
		lastVisits: string | undefined;
		onopen: (wish: CurveChoice) => void;
	}
	let { curves, planned, lastVisits, onopen }: Props = $props();
</script>

<details>
	<summary>Earlier curves <span class="soft">({curves.length})</span></summary>
	<ul>
		{#each curves as { id, madeAt, wish, notesRead } (id)}
			<li>
				<span
					>{onShortDay(madeAt)}{id === planned ? ', the plan’s' : ''}{id === lastVisits ? ', last visit’s' : ''}<br
					/><span class="soft">{wishWords(wish)}; {notesRead} notes read</span></span
				>
				<button type="button" onclick={() => onopen(wish)}>Open</button>
			</li>
		{/each}
	</ul>
</details>

<style>
	summary {
		cursor: pointer;
		min-height: 32px;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 0.5rem;
		font-size: 0.86rem;
		line-height: 1.3;
		padding: 0.35rem 0;
		border-top: 1px solid var(--line);
	}
	button {
		min-height: 40px;
		padding: 0 0.5rem;
		cursor: pointer;
		color: var(--felt);
		text-decoration: underline;
	}
</style>
