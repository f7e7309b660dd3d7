<script lang="ts">
	import Plus from '@lucide/svelte/icons/plus';
	import { KIND_NAMES } from '$lib/tuning/kinds';
	import { counted, inHz, inSentence, onShortDay } from '$lib/ui/format';

	let { data } = $props();
	let wanted = $state('');
	const words = $derived(wanted.toLowerCase().split(/\s+/).filter(Boolean));
	const shown = $derived(
		data.instruments.filter(({ name, kind, maker, location }) => {
			const text = `${name} ${KIND_NAMES[kind]} ${maker} ${location?.name} ${location?.town}`.toLowerCase();
			return words.every((word) => text.includes(word));
		})
	);
	const locations = $derived([...new Set(shown.map(({ location }) => location?.name ?? ''))].sort());
	const townOf = (location: string) =>
		shown.find((instrument) => instrument.location?.name === location)?.location?.town;
	const inOrder = new Intl.Collator('en', { numeric: true });
	const at = (location: string) =>
		shown
			.filter((instrument) => (instrument.location?.name ?? '') === location)
			.sort((a, b) => inOrder.compare(a.name, b.name));
</script>

<svelte:head><title>Instruments | Fendrel</title></svelte:head>

<div class="top">
	<h1>{counted(data.instruments.length, 'instrument')} in your care</h1>
	<a class="btn preset-filled-brand" href="/instruments/new"><Plus size={18} /> Add one</a>
</div>

{#if data.instruments.length === 0}
	<p class="mt-6">There are no instruments yet. Add the first one, then start a visit.</p>
{:else}
	<label class="field find">
		<span>Find</span>
		<input class="input" type="search" bind:value={wanted} placeholder="name, place, maker or kind" />
	</label>
	{#if shown.length === 0}<p class="mt-6">Nothing matches “{wanted}”. Try fewer letters.</p>{/if}
	{#each locations as location (location)}
		<section>
			<h2>{location || 'No place noted'} <span class="soft">{townOf(location)}</span></h2>
			<table class="rule-table">
				<thead>
					<tr
						><th>Instrument</th><th class="wide">Maker</th><th class="wide">Last visit</th><th class="figure"
							>A4 left, Hz</th
						></tr
					>
				</thead>
				<tbody>
					{#each at(location) as { id, name, kind, maker, madeIn, last, openVisit } (id)}
						<tr>
							<td>
								<a href="/instruments/{id}">{name}</a>
								<span class="soft kind">{KIND_NAMES[kind]}</span>
								{#if openVisit}<a class="open" href="/visits/{openVisit}">half done, go on</a>{/if}
							</td>
							<td class="wide soft"
								>{maker}{#if madeIn}, {madeIn}{/if}</td
							>
							<td class="wide soft"
								>{last ? `${onShortDay(last.finishedAt)}, ${inSentence(last.temperament)}` : 'none yet'}</td
							>
							<td class="figure">{last?.a4Left ? inHz(last.a4Left) : '–'}</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</section>
	{/each}
{/if}

<style>
	.top {
		display: flex;
		justify-content: space-between;
		align-items: center;
		flex-wrap: wrap;
		gap: 1rem;
	}
	.find {
		max-width: 26rem;
		margin-top: 1.25rem;
	}
	section {
		margin-top: 2rem;
	}
	h2 .soft {
		font-family: var(--typo-base--font-family);
		font-size: 1rem;
	}
	.rule-table {
		table-layout: fixed;
		margin-top: 0.5rem;
	}
	th:nth-child(2) {
		width: 26%;
	}
	th:nth-child(3) {
		width: 26%;
	}
	th.figure {
		width: 7rem;
		font-family: inherit;
	}
	td a {
		font-weight: 600;
		color: var(--ink);
		display: inline-flex;
		min-height: 32px;
		align-items: center;
	}
	td a:hover {
		color: var(--felt);
	}
	.kind {
		margin-left: 0.5rem;
		font-size: 0.9rem;
	}
	td a.open {
		color: var(--felt);
		margin-left: 0.75rem;
		text-decoration: underline;
	}
	@media (max-width: 760px) {
		.wide {
			display: none;
		}
		.kind {
			display: block;
			margin-left: 0;
		}
		td a.open {
			margin-left: 0;
		}
	}
</style>
