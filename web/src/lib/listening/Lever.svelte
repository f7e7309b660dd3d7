<script lang="ts">
	interface Props {
		/** Turns the pin by so many cents. */
		onturn: (by: number) => void;
		onstrike: () => void;
	}
	let { onturn, onstrike }: Props = $props();
	const STEPS = [-5, -1, -0.2, 0.2, 1, 5];
	/** A drag over the whole rail is worth this many cents either way. */
	const RAIL_CENTS = 12;
	let rail = $state<HTMLElement>();
	let grip = $state(0);
	let from: number | undefined;

	function onpointerdown(event: PointerEvent & { currentTarget: HTMLElement }) {
		event.currentTarget.setPointerCapture(event.pointerId);
		from = event.clientX;
	}
	function onpointermove(event: PointerEvent) {
		if (from === undefined || !rail) return;
		const half = rail.clientWidth / 2;
		const wanted = Math.min(Math.max((event.clientX - from) / half, -1), 1);
		onturn((wanted - grip) * RAIL_CENTS);
		grip = wanted;
	}
	/** The lever is taken off the pin and set on again: the pin stays where it is. */
	function onpointerup() {
		from = undefined;
		grip = 0;
	}
</script>

<section>
	<h2 class="panel-heading">Simulated lever, cents</h2>
	<div class="steps">
		{#each STEPS as by (by)}
			<button
				type="button"
				class="mono"
				onclick={() => onturn(by)}
				aria-label="{by < 0 ? 'Lower' : 'Raise'} the pin by {Math.abs(by)} cents"
			>
				{by < 0 ? '−' : '+'}{Math.abs(by)}
			</button>
		{/each}
	</div>
	<!-- The steps and the arrow keys do the same, so the rail may be pointer only. -->
	<div class="rail" bind:this={rail} aria-hidden="true">
		<span class="end">lower</span>
		<span class="end">raise</span>
		<div
			class="grip"
			role="presentation"
			style="left: {50 + 50 * grip}%"
			{onpointerdown}
			{onpointermove}
			{onpointerup}
			onpointercancel={onpointerup}
		></div>
	</div>
	<button type="button" class="btn preset-filled-brand strike" onclick={onstrike}>Strike</button>
</section>

<style>
	h2 {
		margin-bottom: 0.4rem;
	}
	.steps {
		display: grid;
		grid-template-columns: repeat(6, 1fr);
		gap: 0.3rem;
	}
	.steps button {
		min-height: 44px;
		border: 1px solid var(--line);
		border-radius: var(--radius-base);
		cursor: pointer;
		font-size: 0.95rem;
	}
	.steps button:hover {
		background: var(--sheet);
	}
	.rail {
		position: relative;
		height: 44px;
		margin: 0.5rem 1.5rem;
		display: flex;
		justify-content: space-between;
		align-items: center;
		border-bottom: 2px solid var(--line);
	}
	.end {
		color: var(--soft);
		font-size: 0.85rem;
	}
	.grip {
		position: absolute;
		width: 56px;
		height: 40px;
		margin-left: -28px;
		border-radius: var(--radius-base);
		background: var(--ink);
		cursor: grab;
		touch-action: none;
	}
	.grip::after {
		content: '';
		position: absolute;
		left: 50%;
		top: 8px;
		bottom: 8px;
		border-left: 2px solid var(--ground);
	}
	@media (max-width: 1100px) {
		.steps {
			grid-template-columns: repeat(3, 1fr);
		}
		.rail {
			margin-block: 0.25rem;
		}
	}
	.strike {
		width: 100%;
		margin-top: 0.25rem;
	}
</style>
