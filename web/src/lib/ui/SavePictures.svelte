<script lang="ts">
	import ImageDown from '@lucide/svelte/icons/image-down';
	import DialogSheet from './DialogSheet.svelte';
	import { asCsv, listName, listsOf } from './savedList';
	import { saveFile } from './saveFile';
	import { asPng, asSvg, pictureName } from './savedPicture';

	let open = $state(false);
	let drawings = $state.raw<readonly SVGSVGElement[]>([]);
	let lists = $state.raw<readonly HTMLElement[]>([]);
	const labelOf = (drawing: SVGSVGElement) => drawing.getAttribute('aria-label') ?? 'Picture';

	function look() {
		drawings = [...document.querySelectorAll<SVGSVGElement>('svg.drawing[aria-label]')].filter(
			(each) => each.getBoundingClientRect().width > 0
		);
		lists = listsOf(document);
		open = true;
	}
	const csv = (list: HTMLElement) =>
		saveFile(new Blob([asCsv(list)], { type: 'text/csv;charset=utf-8' }), `${pictureName(listName(list))}.csv`);
	const svg = (drawing: SVGSVGElement) =>
		saveFile(new Blob([asSvg(drawing)], { type: 'image/svg+xml' }), `${pictureName(labelOf(drawing))}.svg`);
	const png = async (drawing: SVGSVGElement) => saveFile(await asPng(drawing), `${pictureName(labelOf(drawing))}.png`);
</script>

<button
	type="button"
	class="look"
	onclick={look}
	aria-label="Pictures and lists of this page"
	title="Pictures and lists of this page"><ImageDown size={18} /></button
>
<DialogSheet {open} title="Pictures and lists of this page" onclose={() => (open = false)} sheet="w-full max-w-2xl">
	{#if drawings.length + lists.length === 0}<p>There is neither a picture nor a list on this page.</p>{/if}
	<ul>
		{#each drawings as drawing, i (i)}
			<li>
				<span>{labelOf(drawing).slice(0, 120)}</span>
				<button type="button" class="choice" onclick={() => svg(drawing)}>SVG</button>
				<button type="button" class="choice" onclick={() => png(drawing)}>PNG</button>
			</li>
		{/each}
		{#each lists as list, i (i)}
			<li>
				<span>{listName(list).slice(0, 120)}</span>
				<span></span>
				<button type="button" class="choice" aria-label="{listName(list)} as CSV" onclick={() => csv(list)}>CSV</button>
			</li>
		{/each}
	</ul>
</DialogSheet>

<style>
	.look {
		min-height: 44px;
		min-width: 44px;
		color: var(--soft);
		cursor: pointer;
		display: inline-flex;
		align-items: center;
		justify-content: center;
	}
	li {
		display: grid;
		grid-template-columns: 1fr auto auto;
		gap: 0.6rem;
		align-items: center;
		padding-block: 0.4rem;
		border-bottom: 1px solid var(--line);
	}
</style>
