<script lang="ts">
	import { counted, listed } from '$lib/ui/format';
	import { mayDo } from '$lib/workshop/roles';

	let { data } = $props();
	const mayWork = $derived(mayDo(data.signedIn.role, 'work'));
</script>

<svelte:head><title>Playing together | Fendrel</title></svelte:head>

<div class="head">
	<h1>Playing together</h1>
	{#if mayWork}
		<a class="btn preset-filled-brand" href="/ensembles/new">A new ensemble</a>
	{/if}
</div>
<p class="soft">
	Who plays with whom, in which temperament and at which pitch; what they can agree on, and what it costs each.
</p>
<p><a class="anchor" href="/ensembles/beside">Two in one room: pianos, an organ, a vibraphone</a></p>
{#if data.ensembles.length === 0}<p>No ensemble yet.</p>{/if}
<ul>
	{#each data.ensembles as { id, name, members } (id)}
		<li>
			<a class="anchor" href="/ensembles/{id}">{name}</a>
			<span class="soft">{counted(members.length, 'member')}: {listed(members)}</span>
		</li>
	{/each}
</ul>

<style>
	.head {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 1rem;
	}
	li {
		padding: 0.7rem 0;
		border-bottom: 1px solid var(--line);
	}
</style>
