<script lang="ts">
	import { noteName, type Neck } from '@fendrel/core';
	import { fretPicture, type ShownFret } from './fretMap';

	interface Props {
		neck: Pick<Neck, 'strings' | 'scale' | 'frets'>;
		frets: readonly ShownFret[];
		/** The fret that is due. */
		due?: number;
		/** Makes the picture the navigator. */
		onchoose?: (fret: number) => void;
		height?: number;
	}
	let { neck, frets, due, onchoose, height = 330 }: Props = $props();
	let width = $state(820);
	const picture = $derived(fretPicture(neck, frets, { width, height }));
</script>

<div bind:clientWidth={width}>
	<svg class="drawing" {width} {height} role="group" aria-label="The neck, to scale">
		<polygon class="board" points={picture.board} />
		{#each picture.strings as { note, thick, x1, x2, y1, y2 }, i (i)}
			<line class="string" {x1} {x2} {y1} {y2} stroke-width={thick} />
			<text class="open" x={x1 - 14} y={y1 + 5} text-anchor="end">{noteName(note)}</text>
		{/each}
		<line class="nut" x1={picture.nut.x} x2={picture.nut.x} y1={picture.nut.top} y2={picture.nut.bottom} />
		{#each picture.frets as { fret, said, now, then, isMoved, dots, label } (fret)}
			<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
			<g
				class="fret"
				class:due={fret === due}
				role={onchoose ? 'button' : 'img'}
				tabindex={onchoose ? 0 : undefined}
				aria-label={said}
				aria-current={fret === due ? 'step' : undefined}
				onclick={() => onchoose?.(fret)}
				onkeydown={(event) => {
					if (!onchoose || (event.key !== 'Enter' && event.key !== ' ')) return;
					event.preventDefault();
					event.stopPropagation();
					onchoose(fret);
				}}
			>
				<rect class="hit" x={now.x1 - 22} y={picture.nut.top} width="44" height={picture.labelY - picture.nut.top} />
				{#if isMoved}<line class="now" x1={now.x1} x2={now.x2} y1={now.y1} y2={now.y2} />{/if}
				<line class="then" x1={then.x1} x2={then.x2} y1={then.y1} y2={then.y2} />
				{#each dots as { string, isRead, x, y } (string)}<circle class:told={!isRead} cx={x} cy={y} r="4.5" />{/each}
				<text x={label} y={picture.labelY} text-anchor="middle">{fret}</text>
			</g>
		{/each}
	</svg>
</div>

<style>
	.board {
		fill: var(--sheet);
		stroke: var(--line);
	}
	.string {
		stroke: var(--soft);
		opacity: 0.55;
	}
	.nut {
		stroke: var(--ink);
		stroke-width: 5;
	}
	.hit {
		fill: transparent;
	}
	.now {
		stroke: var(--soft);
		stroke-dasharray: 3 4;
	}
	.then {
		stroke: var(--felt);
		stroke-width: 3;
	}
	.due .then {
		stroke: var(--sharp);
		stroke-width: 5;
	}
	circle {
		fill: var(--ink);
	}
	circle.told {
		fill: var(--sheet);
		stroke: var(--ink);
		stroke-width: 1.5;
	}
	text {
		font-family: var(--mono);
		font-size: 0.85rem;
		fill: var(--soft);
	}
	.open {
		fill: var(--ink);
	}
	.due text {
		fill: var(--ink);
		font-weight: 700;
	}
	[role='button'] {
		cursor: pointer;
	}
	[role='button']:focus-visible {
		outline: 3px solid var(--felt);
	}
</style>
