<script lang="ts">
	import type { StringKind } from '@fendrel/core';
	import { KIND_NAMES } from '$lib/tuning/kinds';
	import { stretchWord, type Stretch } from '$lib/tuning/stretch';
	import { onShortDay } from '$lib/ui/format';

	interface Earlier {
		readonly id: string;
		readonly countedAt: Date;
		readonly instrumentId: string | null;
		readonly instrument: string | undefined;
		readonly kind: StringKind;
		readonly temperament: string;
		readonly a4: number;
		readonly stretch: Stretch;
		readonly verdict: string;
	}
	let { earlier }: { earlier: readonly Earlier[] } = $props();
	const addressOf = ({ id, instrumentId, kind, temperament, a4, stretch }: Earlier) =>
		`/intervals/counts?${new URLSearchParams({
			...(instrumentId ? { instrument: instrumentId } : { kind }),
			...{ temperament, a4: String(a4), stretch: stretchWord(stretch), kept: id }
		})}`;
</script>

<h2 class="panel-heading">Counted before</h2>
<ul>
	{#each earlier as each (each.id)}
		<li>
			<a href={addressOf(each)}
				>{onShortDay(each.countedAt)}, {each.instrument ?? `${KIND_NAMES[each.kind]}, typical`}</a
			>
			<span class="soft">{each.verdict}</span>
		</li>
	{/each}
</ul>

<style>
	li {
		display: grid;
		padding: 0.35rem 0;
		border-bottom: 1px solid var(--line);
		font-size: 0.95rem;
	}
	a {
		text-decoration: underline;
		color: var(--felt);
		min-height: 32px;
	}
</style>
