<script lang="ts">
	import { goto } from '$app/navigation';
	import { send } from '$lib/device/send';
	import EnsembleView from '$lib/ensembles/EnsembleView.svelte';
	import { mayDo } from '$lib/workshop/roles';

	let { data } = $props();
	const mayWork = $derived(mayDo(data.signedIn.role, 'work'));
	let problem = $state('');

	async function remove() {
		const told = await send('DELETE', `/api/ensembles/${data.ensemble.id}`);
		if ('problem' in told) problem = told.problem;
		else await goto('/ensembles');
	}
</script>

<svelte:head><title>{data.ensemble.name} | Fendrel</title></svelte:head>

<p><a class="up" href="/ensembles">Playing together</a></p>
<h1>{data.ensemble.name}</h1>
{#key data.ensemble.id}
	<EnsembleView ensemble={data.ensemble} temperaments={data.temperaments} instruments={data.instruments} {mayWork} />
{/key}
{#if mayDo(data.signedIn.role, 'decide')}
	<p class="remove">
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={remove}>Delete this ensemble</button>
	</p>
	{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
{/if}

<style>
	.remove {
		margin-top: 2rem;
	}
	@media print {
		.remove,
		.up {
			display: none;
		}
	}
</style>
