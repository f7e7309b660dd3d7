<script lang="ts">
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import type { Choice } from '@fendrel/core';
	import { handOver } from '$lib/handover/handOver.svelte';
	import DialogSheet from '$lib/ui/DialogSheet.svelte';
	import { capital, listed, onTime } from '$lib/ui/format';
	import { choiceWords, chosen } from './choices';
	import { FIELD_NAMES } from './fieldNames';
	import type { OpenVisit } from './openVisit.svelte';

	/** Where two devices wrote different things, both stand here until one is chosen. */
	let { open: visit }: { open: OpenVisit } = $props();
	const { record } = $derived(visit);
	const choices = $derived(record.report.choices);
	let open = $state(false);

	const whoWrote = (device: string) => (handOver.isMine(device) ? 'here' : 'on another device');
	function choose({ field, versions }: Choice, at: number) {
		const act = versions[at];
		if (act.do === 'note') record.write(act.text);
		else if (field !== 'note') visit.replan(chosen(act.plan, field));
		if (record.report.choices.length === 0) open = false;
	}
	function keepBoth({ versions }: Choice) {
		record.write(versions.flatMap((act) => (act.do === 'note' && act.text ? [act.text] : [])).join('\n'));
		if (record.report.choices.length === 0) open = false;
	}
</script>

{#if choices.length}
	<aside class="differ" aria-label="Written differently on two devices">
		<p>
			{capital(listed(choices.map(({ field }) => FIELD_NAMES[field])))}
			{choices.length === 1 ? 'was' : 'were'} written differently on two devices.
			<button type="button" class="anchor" onclick={() => (open = true)}>Choose</button>
		</p>
	</aside>
{/if}
<DialogSheet {open} title="Written on two devices" onclose={() => (open = false)} sheet="w-full">
	<p class="soft">Neither writer knew of the other. The later one counts until you choose.</p>
	{#each choices as each (each.field)}
		<h3>{capital(FIELD_NAMES[each.field])}</h3>
		<ul>
			{#each each.versions as act, i (act.id)}
				<li>
					<div>
						<p class="version" class:text={act.do === 'note'}>{choiceWords(act, each.field, visit.about)}</p>
						<p class="soft">{whoWrote(act.device)}, {onTime(new Date(act.at))}</p>
					</div>
					<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => choose(each, i)}
						>Keep this</button
					>
				</li>
			{/each}
		</ul>
		{#if each.field === 'note'}
			<button type="button" class="anchor" onclick={() => keepBoth(each)}>Keep both, one after the other</button>
		{/if}
	{/each}
	<div class="mt-4">
		<Dialog.CloseTrigger class="btn preset-outlined-surface-300-700">Close</Dialog.CloseTrigger>
	</div>
</DialogSheet>

<style>
	.differ {
		padding: 0.35rem 1.5rem;
		border-bottom: 1px solid var(--line);
		border-left: 4px solid var(--sharp);
		background: var(--sheet);
	}
	.anchor {
		min-height: 44px;
	}
	.differ .anchor {
		margin-block: -10px;
	}
	h3 {
		margin-top: 1rem;
		font-weight: 700;
	}
	li {
		display: flex;
		align-items: center;
		justify-content: space-between;
		gap: 1rem;
		padding: 0.6rem 0;
		border-top: 1px solid var(--line);
	}
	.version {
		font-size: 1.15rem;
	}
	.text {
		font-size: 1rem;
		white-space: pre-wrap;
		max-height: 10rem;
		overflow: auto;
	}
</style>
