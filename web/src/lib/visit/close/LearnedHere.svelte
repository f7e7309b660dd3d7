<script lang="ts">
	import type { Learning } from '@fendrel/core';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import type { Account } from './account';
	import { learnedHere } from './learned';

	interface Props {
		open: KeyboardVisit;
		account: Account;
	}
	let { open, account }: Props = $props();
	const learned = $derived(learnedHere(open, account));
	const forgotten = $derived(open.record.report.closing.forgotten);
	function turn(what: Learning) {
		const act = forgotten.get(what);
		open.record.act(act ? { do: 'takeBack', act } : { do: 'forget', what });
	}
</script>

{#if learned.length}
	<section aria-label="Learned">
		<h2 class="panel-heading">Learned <span>for the next visits; leave out what was not usual</span></h2>
		<ul>
			{#each learned as { what, text } (what)}
				<li>
					<span class:out={forgotten.has(what)}>{text}</span>
					<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => turn(what)}
						>{forgotten.has(what) ? 'Count it' : 'Leave it out'}</button
					>
				</li>
			{/each}
		</ul>
	</section>
{/if}

<style>
	li {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 0.75rem;
		padding: 0.25rem 0;
		line-height: 1.3;
	}
	.out {
		color: var(--soft);
		text-decoration: line-through;
	}
	button {
		flex: none;
	}
</style>
