<script lang="ts">
	import { memberOf, noteName, type StrayPin } from '@fendrel/core';
	import { signed } from '$lib/ui/format';

	let { pins }: { pins: readonly StrayPin[] } = $props();
	/** "C4, left string" */
	const named = ({ note, sounder }: StrayPin) => {
		const member = memberOf(sounder as never);
		return `${noteName(note)}${member === 'only' ? '' : `, ${member} string`}`;
	};
</script>

{#if pins.length}
	<section aria-label="Pins that do not hold">
		<h2 class="panel-heading">Pins that do not hold <span>cents between visits, beside their neighbours</span></h2>
		<ul>
			{#each pins as pin (pin.sounder)}
				<li>
					{named(pin)} <span class="mono">{signed(pin.slips)}</span>
					<span class="soft">{pin.strayed} of {pin.of} times</span>
				</li>
			{/each}
		</ul>
	</section>
{/if}

<style>
	section {
		margin-top: 1.25rem;
	}
	li {
		padding: 0.35rem 0;
		border-bottom: 1px solid var(--line);
	}
</style>
