<script lang="ts">
	import { KINDS, type Found } from '$lib/search/found';

	let { data } = $props();
	const kinds = $derived(
		(Object.keys(KINDS) as Found['kind'][]).filter((kind) => data.found.some((each) => each.kind === kind))
	);
</script>

<svelte:head><title>Find | Fendrel</title></svelte:head>

<h1 class="sr-only">Find</h1>
<form class="find" role="search">
	<!-- svelte-ignore a11y_autofocus -->
	<input
		class="input"
		type="search"
		name="find"
		aria-label="Search everything"
		placeholder="An instrument, a person, a place, something you wrote"
		defaultValue={data.find}
		autofocus
	/>
	<button class="btn preset-filled-brand">Find</button>
</form>
{#if data.find && data.found.length === 0}<p role="status">Nothing holds “{data.find}”.</p>{/if}
<div class="kinds">
	{#each kinds as kind (kind)}
		<section aria-label={KINDS[kind].title}>
			<h2>{KINDS[kind].title}</h2>
			<ul>
				{#each data.found.filter((each) => each.kind === kind) as { id, name, about }, i (i)}
					<li><a class="anchor" href={KINDS[kind].href(id)}>{name}</a> <span class="soft">{about}</span></li>
				{/each}
			</ul>
		</section>
	{/each}
</div>

<style>
	.find {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 0.8rem;
		max-width: 44rem;
	}
	.kinds {
		columns: 2;
		column-gap: 3rem;
		margin-top: 1.5rem;
	}
	section {
		break-inside: avoid;
		margin-bottom: 1.5rem;
	}
	li {
		padding-block: 0.5rem;
		border-bottom: 1px solid var(--line);
		overflow-wrap: anywhere;
	}
	p {
		margin-top: 1rem;
	}
	@media (max-width: 860px) {
		.kinds {
			columns: 1;
		}
	}
</style>
