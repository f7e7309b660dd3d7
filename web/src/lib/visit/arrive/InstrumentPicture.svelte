<script lang="ts">
	import type { Arrival, InstrumentKind, Part } from '@fendrel/core';
	import { PART_KEYS, PICTURE, shapesOf } from './instrumentPicture';

	interface Props {
		kind: InstrumentKind;
		parts: readonly Part[];
		judged: Arrival['parts'];
		/** The part that is being judged. */
		chosen: string | undefined;
		onchoose: (part: string) => void;
	}
	let { kind, parts, judged, chosen, onchoose }: Props = $props();
	const shapes = $derived(
		shapesOf(kind).map((shape) => {
			const at = parts.findIndex(({ id }) => id === shape.part);
			const part = parts[at];
			const said = judged.get(shape.part);
			const grade = part.grades.find(({ id }) => id === said?.grade);
			return {
				...shape,
				...{ name: part.name, key: PART_KEYS[at] ?? '' },
				looks: grade?.looks ?? 'none',
				words: said ? [grade?.words, said.note].filter(Boolean).join(': ') : 'not looked at'
			};
		})
	);
	/** Letters of the small face that a width holds. */
	const cut = (text: string, width: number) => {
		const most = Math.floor(width / 6.6);
		return text.length > most ? `${text.slice(0, most - 1)}…` : text;
	};
</script>

<svg
	class="drawing"
	viewBox="0 0 {PICTURE.width} {PICTURE.height}"
	role="group"
	aria-label="The instrument and its parts"
>
	{#each shapes as { part, path, x, y, width, isFlat, name, key, looks, words } (part)}
		<g
			role="button"
			tabindex="0"
			aria-label="{name}: {words}"
			aria-pressed={part === chosen}
			class={looks}
			class:chosen={part === chosen}
			onclick={() => onchoose(part)}
			onkeydown={(event) => {
				if (event.key !== 'Enter' && event.key !== ' ') return;
				event.preventDefault();
				event.stopPropagation();
				onchoose(part);
			}}
		>
			<path d={path} />
			<text {x} {y} class="name"><tspan class="key">{key}</tspan> {name}</text>
			<text x={isFlat ? x + 170 : x} y={isFlat ? y : y + 17} class="words"
				>{cut(words, isFlat ? width - 170 : width)}</text
			>
		</g>
	{/each}
</svg>

<style>
	svg {
		width: 100%;
		height: auto;
		flex: none;
		font-family: inherit;
		display: block;
	}
	g {
		cursor: pointer;
	}
	path {
		fill: var(--sheet);
		stroke: var(--line);
		stroke-width: 1.5;
		vector-effect: non-scaling-stroke;
	}
	.none path {
		fill: var(--ground);
		stroke-dasharray: 4 4;
		stroke: var(--faint);
	}
	.sound path {
		stroke: var(--felt);
	}
	.watch path {
		stroke: var(--sharp);
		stroke-width: 2.5;
	}
	.bad path {
		fill: var(--warn-wash);
		stroke: var(--warn);
		stroke-width: 2.5;
	}
	.chosen path {
		stroke: var(--ink);
		stroke-width: 3;
		stroke-dasharray: none;
	}
	text {
		font-family: var(--typo-base--font-family);
	}
	.name {
		font-weight: 700;
		font-size: 14px;
		fill: var(--ink);
	}
	.key {
		font-family: var(--mono);
		fill: var(--soft);
		font-weight: 400;
	}
	.words {
		font-size: 13px;
		fill: var(--soft);
	}
	.watch .words {
		fill: var(--sharp);
	}
	.bad .words {
		fill: var(--warn);
	}
	.sound .words {
		fill: var(--felt);
	}
</style>
