<script lang="ts">
	import { fixed, onDay, signed } from '$lib/ui/format';
	import { leaveWords, sectionWords, type InstrumentDrift } from './drift';

	let { drift }: { drift: InstrumentDrift } = $props();
	const now = $derived(drift.ahead[0]);
</script>

<section aria-label="How it drifts">
	<p>
		Expected now: <b class="mono">{signed(now.cents)} ±{fixed(now.error, 1)}</b> cents. {drift.changed}
	</p>
	<p class="soft">
		{drift.explained}. By {drift.visits} of its visits{drift.neighbours
			? ` and ${drift.neighbours} instruments of its house`
			: ''}.
	</p>
	<p data-testid="leave">{leaveWords(drift.leave, onDay(new Date(drift.leave.until)))}</p>
	{#if drift.sections.length > 1}
		<dl>
			{#each drift.sections as section (section.id)}
				<dt>{section.id}</dt>
				<dd class="mono">{sectionWords(section)}</dd>
			{/each}
		</dl>
	{/if}
</section>

<style>
	section {
		display: grid;
		gap: 0.3rem;
		margin-block: 0.6rem 1rem;
	}
	dl {
		display: grid;
		grid-template-columns: auto auto auto auto;
		gap: 0.1rem 1rem;
		justify-content: start;
	}
	dt {
		color: var(--soft);
	}
	@media (max-width: 700px) {
		dl {
			grid-template-columns: auto 1fr;
		}
	}
</style>
