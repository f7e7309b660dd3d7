<script lang="ts">
	import ImageDown from '@lucide/svelte/icons/image-down';
	import DialogSheet from './DialogSheet.svelte';
	import { saveFile } from './saveFile';
	import { asPng, asSvg, pictureName } from './savedPicture';

	let open = $state(false);
	let drawings = $state.raw<readonly SVGSVGElement[]>([]);
	const labelOf = (drawing: SVGSVGElement) => drawing.getAttribute('aria-label') ?? 'Picture';

	function look() {
		drawings = [...document.querySelectorAll<SVGSVGElement>('svg.drawing[aria-label]')].filter(
			(each) => each.getBoundingClientRect().width > 0
		);
		open = true;
	}
	const svg = (drawing: SVGSVGElement) =>
		saveFile(new Blob([asSvg(drawing)], { type: 'image/svg+xml' }), `${pictureName(labelOf(drawing))}.svg`);
	const png = async (drawing: SVGSVGElement) => saveFile(await asPng(drawing), `${pictureName(labelOf(drawing))}.png`);
</script>

<button type="button" class="look" onclick={look} aria-label="Pictures of this page" title="Pictures of this page"
	><ImageDown size={18} /></button
>
<DialogSheet {open} title="The pictures of this page" onclose={() => (open = false)} sheet="w-full max-w-2xl">
	{#if drawings.length === 0}<p>There is no picture on this page.</p>{/if}
	<ul>
		{#each drawings as drawing, i (i)}
			<li>
				<span>{labelOf(drawing).slice(0, 120)}</span>
				<button type="button" class="choice" onclick={() => svg(drawing)}>SVG</button>
				<button type="button" class="choice" onclick={() => png(drawing)}>PNG</button>
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
