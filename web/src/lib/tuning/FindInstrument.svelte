<script lang="ts">
	import DialogSheet from '$lib/ui/DialogSheet.svelte';

	interface Props {
		onclose: () => void;
		onchoose: (id: string) => void;
	}
	let { onclose, onchoose }: Props = $props();
	interface Found {
		readonly id: string;
		readonly name: string;
		readonly place: string | null;
	}
	let wanted = $state('');
	let found = $state.raw<readonly Found[] | undefined>();
	let problem = $state<string | undefined>();
	let asked = 0;

	async function search(text: string): Promise<{ readonly instruments: readonly Found[] } | undefined> {
		const answer = await fetch(`/api/instruments?find=${encodeURIComponent(text)}`).catch(() => undefined);
		return answer?.ok ? answer.json() : undefined;
	}

	$effect(() => {
		const mine = ++asked;
		void search(wanted).then((answer) => {
			// The newest question counts.
			if (mine !== asked) return;
			problem = answer ? undefined : 'The server does not answer. Try again in a moment.';
			if (answer) found = answer.instruments;
		});
	});
</script>

<DialogSheet open title="Which instrument?" {onclose} sheet="max-w-lg">
	<label class="field">
		<span>Find</span>
		<input class="input" type="search" bind:value={wanted} placeholder="name, place, maker or kind" />
	</label>
	{#if problem}<p class="problem mt-3" role="alert">{problem}</p>{/if}
	<ul>
		{#each found ?? [] as { id, name, place } (id)}
			<li><button onclick={() => onchoose(id)}>{name} <span class="soft">{place ?? ''}</span></button></li>
		{/each}
	</ul>
	{#if found?.length === 0}<p class="soft mt-3">Nothing matches “{wanted}”. Try fewer letters.</p>{/if}
</DialogSheet>

<style>
	ul {
		margin-top: 0.75rem;
		max-height: 22rem;
		overflow-y: auto;
	}
	button {
		width: 100%;
		min-height: 44px;
		text-align: left;
		border-bottom: 1px solid var(--line);
		cursor: pointer;
	}
	button:hover {
		color: var(--felt);
	}
</style>
