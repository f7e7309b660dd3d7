<script lang="ts">
	import { FINDING_STATES, type Finding } from '@fendrel/core';
	import { onShortDay } from '$lib/ui/format';
	import { findingsOf } from '../findings';
	import type { OpenVisit } from '../openVisit.svelte';

	let { open }: { open: OpenVisit } = $props();
	const WORDS: Record<Finding['state'], string> = {
		open: 'open',
		quoted: 'quoted',
		done: 'done',
		declined: 'declined'
	};
	const findings = $derived(findingsOf(open));
	const say = ({ finding, part, text }: Finding, state: Finding['state']) =>
		open.record.act({ do: 'finding', finding, part, text, state });
</script>

{#if findings.length}
	<section aria-label="Work found">
		<h2 class="panel-heading">Work found</h2>
		<ul>
			{#each findings as finding (finding.finding)}
				<li>
					<span class:done={finding.state === 'done' || finding.state === 'declined'}
						>{finding.text} <span class="soft">{onShortDay(new Date(finding.at))}</span></span
					>
					<select
						class="select"
						aria-label="State of: {finding.text}"
						value={finding.state}
						onchange={(event) => say(finding, event.currentTarget.value as Finding['state'])}
					>
						{#each FINDING_STATES as state (state)}<option value={state}>{WORDS[state]}</option>{/each}
					</select>
				</li>
			{/each}
		</ul>
	</section>
{/if}

<style>
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 7rem;
		gap: 0.75rem;
		align-items: center;
		padding: 0.25rem 0;
		border-bottom: 1px solid var(--line);
	}
	.select {
		min-height: 44px;
	}
	.done {
		color: var(--soft);
		text-decoration: line-through;
	}
</style>
