<script lang="ts">
	import Plus from '@lucide/svelte/icons/plus';
	import { untrack } from 'svelte';
	import { enhance } from '$app/forms';
	import { mayDo } from '$lib/workshop/roles';
	import { KIND_NAMES } from '$lib/tuning/kinds';
	import { askSoon } from '$lib/ui/address';
	import { counted, inHz, inSentence, onShortDay } from '$lib/ui/format';
	import Pager from '$lib/ui/Pager.svelte';

	let { data, form } = $props();
	const mayWork = $derived(mayDo(data.signedIn.role, 'work'));
	let wanted = $state(untrack(() => data.find));
	/** In the order of the register, those of one place together. */
	const places = $derived(
		data.instruments.reduce<{ place: string; town: string; instruments: (typeof data.instruments)[number][] }[]>(
			(all, each) => {
				const [place, town] = [each.place ?? '', each.town ?? ''];
				const last = all.at(-1);
				if (last?.place === place && last.town === town) last.instruments.push(each);
				else all.push({ place, town, instruments: [each] });
				return all;
			},
			[]
		)
	);
	const sought = $derived(
		[...(data.find ? [`find=${encodeURIComponent(data.find)}`] : []), ...(data.aside ? ['aside=1'] : [])].join('&')
	);
</script>

<svelte:head><title>Instruments | Fendrel</title></svelte:head>

<div class="top">
	<h1>
		{data.aside
			? `${counted(data.laidAside, 'instrument')} laid aside`
			: `${counted(data.inAll, 'instrument')} in your care`}
	</h1>
	{#if mayWork}
		<div class="flex flex-wrap gap-3">
			<a class="btn preset-outlined-surface-300-700" href="/instruments/register" download>As CSV</a>
			<a class="btn preset-outlined-surface-300-700" href="/instruments/import">From a list</a>
			<a class="btn preset-filled-brand" href="/instruments/new"><Plus size={18} /> Add one</a>
		</div>
	{/if}
</div>
{#if form && 'problem' in form}<p class="notice mt-4" role="alert">{form.problem}</p>{/if}
{#if data.deleted}
	<form class="gone" method="POST" action="?/bringBack" use:enhance role="status">
		<span>“{data.deleted.name}” is deleted. Under your name, Deleted, it can be brought back for 30 days.</span>
		<input type="hidden" name="id" value={data.deleted.id} />
		<button class="btn preset-outlined-surface-300-700">Bring it back</button>
	</form>
{/if}

{#if data.laidAside}
	<p class="mt-2">
		<a class="anchor" href={data.aside ? '/instruments' : '/instruments?aside=1'}
			>{data.aside ? 'Those in your care' : `${data.laidAside} laid aside`}</a
		>
	</p>
{/if}
{#if (data.aside ? data.laidAside : data.inAll) === 0}
	<p class="mt-6">
		There are no instruments {mayWork ? 'yet. Add the first one, then start a visit.' : 'that you may see.'}
	</p>
{:else}
	<form class="field find" method="GET" role="search">
		{#if data.aside}<input type="hidden" name="aside" value="1" />{/if}
		<label for="find">Find</label>
		<input
			id="find"
			class="input"
			type="search"
			name="find"
			bind:value={wanted}
			oninput={() => askSoon({ find: wanted || undefined, after: undefined })}
			placeholder="name, place, maker or kind"
		/>
	</form>
	{#if data.instruments.length === 0}<p class="mt-6">Nothing matches “{data.find}”. Try fewer letters.</p>{/if}
	{#each places as { place, town, instruments } (`${place} ${town}`)}
		<section>
			<h2>{place || 'No place noted'} <span class="soft">{town}</span></h2>
			<table class="rule-table">
				<thead>
					<tr
						><th>Instrument</th><th class="wide">Maker</th><th class="wide">Last visit</th><th class="figure"
							>A4 left, Hz</th
						></tr
					>
				</thead>
				<tbody>
					{#each instruments as { id, name, kind, maker, madeIn, finishedAt, a4Left, temperament, openVisit } (id)}
						<tr>
							<td>
								<a href="/instruments/{id}">{name}</a>
								<span class="soft kind">{KIND_NAMES[kind]}</span>
								{#if openVisit && mayWork}<a class="open" href="/visits/{openVisit}">half done, go on</a>{/if}
							</td>
							<td class="wide soft"
								>{maker}{#if madeIn}, {madeIn}{/if}</td
							>
							<td class="wide soft"
								>{finishedAt
									? [onShortDay(finishedAt), ...(temperament ? [inSentence(temperament)] : [])].join(', ')
									: 'none yet'}</td
							>
							<td class="figure">{a4Left ? inHz(a4Left) : '–'}</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</section>
	{/each}
	<Pager
		next={data.next && `?${[sought, `after=${encodeURIComponent(data.next)}`].filter(Boolean).join('&')}`}
		first={data.isFirst ? undefined : `?${sought}`}
		of="instruments"
	/>
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
	.find label {
		font-weight: 600;
		font-size: 0.95rem;
	}
	.gone {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem 1.5rem;
		align-items: center;
		margin-top: 1rem;
		padding: 0.6rem 1rem;
		border-left: 4px solid var(--felt);
		background: var(--sheet);
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
