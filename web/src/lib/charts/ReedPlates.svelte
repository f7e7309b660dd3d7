<script
	lang="ts"
	generics="Reed extends ShownReed & { readonly name: string; readonly noteName: string; readonly degree: string }"
>
	import { fixed, signed } from '$lib/ui/format';
	import { reedPlates, type ShownReed } from './reedPlates';

	interface Props {
		reeds: readonly Reed[];
		due?: number;
		/** What stands beside the name of the blow plate: what the bars say. */
		says: string;
		/** Makes the picture the navigator. */
		onchoose?: (group: number) => void;
		/** Of one plate. */
		height?: number;
		/** Beneath a reed, instead of its note and degree. */
		under?: (reed: Reed) => string;
	}
	let { reeds, due, says, onchoose, height = 150, under }: Props = $props();
	let width = $state(840);
	const plates = $derived(reedPlates(reeds, { width, height }));
	const STATES = { known: 'in the layout', unread: 'not read', read: 'read', set: 'set' } as const;
	const said = ({ name, noteName, off, state }: Reed) =>
		`${name}, ${noteName}: ${off === undefined ? STATES[state] : `${signed(off)} cents, ${STATES[state]}`}`;
	const labelOf = (reed: Reed) => under?.(reed) ?? `${reed.noteName} ${reed.degree}`;
</script>

<div class="plates" bind:clientWidth={width}>
	{#each plates as { plate, columns, top, bottom, height: tall } (plate)}
		<h2>
			<b>{plate === 'blow' ? 'Blow plate' : 'Draw plate'}</b>
			<span>{plate === 'blow' ? `as it lies before you; ${says}` : 'turned over, high holes to the left'}</span>
		</h2>
		<svg class="drawing" height={tall} role="group" aria-label="{plate === 'blow' ? 'Blow' : 'Draw'} plate">
			<rect class="plate" x="1" y={top} width={width - 2} height={bottom - top} rx="4" />
			{#each columns as { hole, x, reeds: placed } (hole)}
				<text class="hole" {x} y={top - 10} text-anchor="middle">{hole}</text>
				{#each placed as { reed, rivet, bar, cell, ...box } (reed.group)}
					<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
					<g
						class="reed {reed.state}"
						class:due={reed.group === due}
						class:small={reed.role !== 'own'}
						role={onchoose ? 'button' : 'img'}
						tabindex={onchoose ? 0 : undefined}
						aria-label={said(reed)}
						aria-current={reed.group === due ? 'step' : undefined}
						onclick={() => onchoose?.(reed.group)}
						onkeydown={(event) => {
							if (!onchoose || (event.key !== 'Enter' && event.key !== ' ')) return;
							event.preventDefault();
							event.stopPropagation();
							onchoose(reed.group);
						}}
					>
						<rect class="hit" x={cell.x} y={top} width={cell.width} height={bottom - top} />
						<rect class="tongue" x={box.x} y={box.y} width={box.width} height={box.height} />
						<circle cx={rivet.x} cy={rivet.y} r="3" />
						{#if bar && reed.off !== undefined}
							<line x1={bar.x - 2} x2={bar.x + bar.width + 2} y1={bar.zero} y2={bar.zero} />
							<rect
								class="bar {reed.off > 0 ? 'sharp' : 'flat'}"
								x={bar.x}
								y={bar.y}
								width={bar.width}
								height={bar.height}
							/>
							{#if bar.hasFigure}<text class="off" x={bar.x + bar.width / 2} y={bar.text} text-anchor="middle"
									>{fixed(Math.abs(reed.off), 1)}</text
								>{/if}
						{/if}
						{#if reed.role === 'own'}
							<text {x} y={bottom + 17} text-anchor="middle">{labelOf(reed)}</text>
						{/if}
					</g>
				{/each}
			{/each}
		</svg>
	{/each}
</div>

<style>
	.plates {
		width: 100%;
		min-width: 0;
	}
	svg {
		display: block;
		width: 100%;
	}
	h2 {
		font-family: inherit;
		font-size: 1rem;
	}
	h2 span {
		color: var(--soft);
	}
	.plate {
		fill: var(--sheet);
		stroke: var(--line);
	}
	text {
		font-size: 13px;
		fill: var(--ink);
	}
	.hole {
		font-weight: 700;
	}
	.off {
		font-family: var(--mono);
		font-size: 12.5px;
		fill: var(--ink);
		paint-order: stroke;
		stroke: var(--sheet);
		stroke-width: 3px;
	}
	g[role='button'] {
		cursor: pointer;
	}
	.hit {
		fill: transparent;
	}
	.tongue {
		fill: var(--ground);
		stroke: var(--line);
		stroke-width: 1.2;
	}
	.unread .tongue {
		stroke-dasharray: 4 3;
		stroke: var(--faint);
	}
	.set .tongue {
		fill: var(--felt-wash);
		stroke: var(--felt);
	}
	.due .tongue {
		stroke: var(--ink);
		stroke-width: 3;
		stroke-dasharray: none;
	}
	circle {
		fill: var(--soft);
	}
	line {
		stroke: var(--felt);
	}
	.bar.sharp {
		fill: var(--sharp);
	}
	.bar.flat {
		fill: var(--flat);
	}
	g:focus-visible {
		outline: none;
	}
	g:focus-visible .hit {
		stroke: var(--felt);
		stroke-width: 3;
	}
</style>
