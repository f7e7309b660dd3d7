<script lang="ts" generics="Body">
	import { muteFor, noteName } from '@fendrel/core';
	import { fixed, signed } from '$lib/ui/format';
	import { openPlace, stopsWords } from './openPlace';
	import type { SetSession } from './session.svelte';
	import UnisonPanel from './UnisonPanel.svelte';

	let { session, a4 }: { session: SetSession<Body>; a4: number } = $props();
	const setting = $derived(session.setting);
	const { report } = $derived(session.record);
	const strings = $derived(setting.choices.filter(({ sounders }) => sounders.length === 1));
	const rows = $derived(
		strings.map(({ id, label, sounders: [sounder] }) => {
			const left = report.sounders.get(sounder)?.left;
			const isFalse = report.marks.get('falseBeat')?.has(sounder) ?? false;
			const stands = !left ? 'to do' : left.figure ? signed(left.figure.deviation) : 'by ear';
			return { id, label, sounder, stands, isFalse, isOpen: setting.open.id === id };
		})
	);
	/** Where the wedge goes; registers that are parted by stops need none. */
	const place = $derived(openPlace(setting.open));
	const mute = $derived(place ? muteFor(strings.length, place) : stopsWords(setting.open));
	const limit = $derived(setting.together.verdict?.limit);
	const mark = (sounder: (typeof rows)[number]['sounder'], on: boolean) =>
		session.record.act({ do: 'mark', sounders: [sounder], as: 'falseBeat', on });
</script>

<section aria-label="Unison of {noteName(setting.step.note)}">
	<h2 class="panel-heading">
		{setting.step.register ? 'Registers' : 'Unison'} of {noteName(setting.step.note)} <span>cents from target</span>
	</h2>
	<table>
		<tbody>
			{#each rows as { id, label, sounder, stands, isFalse, isOpen } (id)}
				<tr class:open={isOpen}>
					<th>{label}</th>
					<td class="mono">{stands}</td>
					<td
						><label
							><input
								class="checkbox"
								type="checkbox"
								checked={isFalse}
								onchange={(event) => mark(sounder, event.currentTarget.checked)}
							/> false beat</label
						></td
					>
				</tr>
			{/each}
		</tbody>
	</table>
	{#if mute}<p class="mute">{mute}</p>{/if}
	<p class="soft">
		{setting.open.octave
			? 'Its cents are counted from the key’s target, an octave up'
			: limit === undefined
				? 'All together (0) proves it'
				: `Within ${fixed(limit, 1)} cents it is taken`}. If it will not come clean: Later (E).
	</p>
</section>
{#if session.unison}<UnisonPanel heard={session.unison} {a4} isBrief />{/if}

<style>
	table {
		width: 100%;
		border-collapse: collapse;
	}
	th {
		text-align: left;
		font-weight: 400;
	}
	tr {
		border-bottom: 1px solid var(--line);
	}
	tr.open th {
		font-weight: 700;
	}
	td.mono {
		text-align: right;
		padding-right: 1rem;
	}
	label {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 36px;
		font-size: 0.9rem;
	}
	.mute {
		font-weight: 600;
		margin: 0.6rem 0 0.25rem;
	}
	p {
		font-size: 0.95rem;
		line-height: 1.35;
	}
</style>
