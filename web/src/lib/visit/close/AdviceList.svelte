<script lang="ts">
	import { v7 as uuid } from 'uuid';
	import { NOTE_LIMIT } from '$lib/ui/limits';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import type { Account } from './account';
	import { adviceFor } from './givenAdvice';

	interface Props {
		open: KeyboardVisit;
		account: Account;
	}
	let { open, account }: Props = $props();
	const given = $derived(open.record.report.closing.advice);
	const list = $derived(adviceFor(open, account));
	const known = $derived(new Set([...list.suits, ...list.others].map(({ id }) => id)));
	const own = $derived([...given].filter(([id]) => !known.has(id)));
	let text = $state('');
	const say = (advice: string, said: string, isGiven: boolean) =>
		open.record.act({ do: 'advice', advice, text: said, given: isGiven });
	function add(event: SubmitEvent) {
		event.preventDefault();
		if (!text.trim()) return;
		say(uuid(), text.trim(), true);
		text = '';
	}
</script>

<section aria-label="Advice to the owner">
	<h2 class="panel-heading">Advice to the owner</h2>
	<ul>
		{#each [...list.suits.map( (each) => ({ ...each, asked: true }) ), ...list.others.map( (each) => ({ ...each, asked: false }) )] as { id, text: said, asked } (id)}
			<li class:asked>
				<label
					><input
						class="checkbox"
						type="checkbox"
						checked={given.has(id)}
						onchange={(event) => say(id, said, event.currentTarget.checked)}
					/>
					<span>{said}</span></label
				>
			</li>
		{/each}
		{#each own as [id, said] (id)}
			<li>
				<label
					><input class="checkbox" type="checkbox" checked onchange={() => say(id, said, false)} />
					<span>{said}</span></label
				>
			</li>
		{/each}
	</ul>
	<form onsubmit={add}>
		<input
			class="input"
			aria-label="Advice of your own"
			placeholder="of your own"
			maxlength={NOTE_LIMIT}
			bind:value={text}
		/>
		<button class="btn preset-outlined-surface-300-700">Add</button>
	</form>
</section>

<style>
	li {
		border-bottom: 1px solid var(--line);
	}
	label {
		display: grid;
		grid-template-columns: auto minmax(0, 1fr);
		gap: 0.6rem;
		align-items: center;
		min-height: 44px;
		padding: 0.2rem 0;
		line-height: 1.3;
	}
	.asked span {
		font-weight: 600;
	}
	form {
		display: flex;
		gap: 0.5rem;
		margin-top: 0.5rem;
	}
</style>
