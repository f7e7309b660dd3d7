<script lang="ts">
	import { A4_PRESETS, noteClassName } from '@fendrel/core';
	import { ask } from '$lib/ui/address';

	interface Props {
		slug: string;
		root: number;
		a4: number;
	}
	let { slug, root, a4 }: Props = $props();
	const FORMATS = [
		{ format: 'csv', label: 'CSV', about: 'cents, for tables' },
		{ format: 'json', label: 'JSON', about: 'everything, to import again' },
		{ format: 'syx', label: 'MIDI tuning', about: 'bulk dump, .syx' },
		{ format: 'notes', label: 'single notes', about: 'note changes, .syx' },
		{ format: 'mid', label: 'MIDI file', about: 'both messages, .mid' }
	] as const;
</script>

<div class="asked">
	<label
		>Root
		<select class="select fit" value={root} onchange={(event) => ask({ root: +event.currentTarget.value })}>
			{#each { length: 12 } as _, i (i)}<option value={i}>{noteClassName(i)}</option>{/each}
		</select></label
	>
	<label
		>A4
		<select class="select fit" value={a4} onchange={(event) => ask({ a4: +event.currentTarget.value })}>
			{#each [...new Set([...A4_PRESETS, a4])].sort((a, b) => a - b) as each (each)}<option value={each}
					>{each} Hz</option
				>{/each}
		</select></label
	>
	<span class="take"
		>Download as
		{#each FORMATS as { format, label, about } (format)}
			<a href="/temperaments/{slug}/download?format={format}&root={root}&a4={a4}" download title={about}>{label}</a>
		{/each}
	</span>
</div>

<style>
	.asked {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1.25rem;
		align-items: center;
	}
	.asked label {
		display: flex;
		align-items: center;
		gap: 0.5rem;
	}
	.take {
		font-size: 0.95rem;
		color: var(--soft);
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.9rem;
		align-items: center;
	}
	.take a {
		min-height: 44px;
		display: inline-flex;
		align-items: center;
		color: var(--felt);
		text-decoration: underline;
	}
</style>
