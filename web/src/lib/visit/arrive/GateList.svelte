<script lang="ts">
	import type { Gate } from '@fendrel/core';
	import { onTime } from '$lib/ui/format';
	import { LINE_LIMIT } from '$lib/ui/limits';
	import type { OpenVisit } from '../openVisit.svelte';

	interface Props {
		open: OpenVisit;
		gates: readonly Gate[];
	}
	let { open, gates }: Props = $props();
	/** The part whose hold is being answered for. */
	let clearing = $state<string | undefined>();
	let by = $state('');
	let reason = $state('');
	let problem = $state<string | undefined>();
	const KINDS = { stop: 'Stop', hold: 'Hold', procedure: 'Procedure' } as const;

	function clear({ part, grade }: Gate) {
		if (!by.trim() || !reason.trim()) {
			problem = 'Say who answers for it, and why.';
			return;
		}
		open.record.act({ do: 'clear', part: part.id, grade: grade.id, by: by.trim(), reason: reason.trim() });
		clearing = problem = undefined;
		by = reason = '';
	}
</script>

<ul class="gates" aria-label="What binds the plan">
	{#each gates as gate (gate.part.id)}
		<li class={gate.cleared ? 'procedure' : gate.grade.gate}>
			<p>
				<b>{KINDS[gate.grade.gate]}: {gate.part.name.toLowerCase()}, {gate.grade.words.toLowerCase()}.</b>
				{#if gate.cleared}
					Answered for by {gate.cleared.by}, {onTime(new Date(gate.cleared.at))}: {gate.cleared.reason}
				{:else}{gate.grade.so ?? ''}{/if}
			</p>
			{#if gate.grade.gate === 'hold' && !gate.cleared}
				{#if clearing === gate.part.id}
					<div class="clear">
						<label>Who answers for it <input class="input" bind:value={by} maxlength={LINE_LIMIT} /></label>
						<label>Why it may be raised <input class="input" bind:value={reason} maxlength={LINE_LIMIT} /></label>
						<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => clear(gate)}
							>Clear it</button
						>
					</div>
					{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
				{:else}
					<button type="button" class="link" onclick={() => (clearing = gate.part.id)}>Clear this hold</button>
				{/if}
			{/if}
		</li>
	{/each}
</ul>

<style>
	.gates {
		display: grid;
		gap: 0.5rem;
	}
	li {
		border-left: 3px solid var(--sharp);
		padding-left: 0.75rem;
		line-height: 1.35;
	}
	.stop,
	.hold {
		border-color: var(--warn);
	}
	.stop b,
	.hold b {
		color: var(--warn);
	}
	.clear {
		display: grid;
		gap: 0.4rem;
		margin-top: 0.4rem;
		justify-items: start;
	}
	.clear label {
		width: 100%;
		font-size: 0.9rem;
		color: var(--soft);
	}
	.clear input {
		display: block;
		width: 100%;
		min-height: 44px;
		color: var(--ink);
	}
	.link {
		color: var(--felt);
		text-decoration: underline;
		min-height: 28px;
	}
</style>
