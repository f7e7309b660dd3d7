<script lang="ts" generics="Body">
	import { groupOf, memberOf, noteName, pinPlaces, registerName, type PinFound } from '@fendrel/core';
	import PinMap from '$lib/charts/PinMap.svelte';
	import { capital, counted } from '$lib/ui/format';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import type { SetSession } from './session.svelte';

	/** Where the pin of what is due lies, and where it was found instead. */
	let { session, open }: { session: SetSession<Body>; open: KeyboardVisit } = $props();
	const note = $derived(session.setting.step.note);
	const sounder = $derived(session.setting.open.sounders[0]);
	const found = $derived<readonly PinFound[]>([...(open.about.pins ?? []), ...session.record.report.pins]);
	/** A row for each string of a key: of its register, or of its place in the unison. */
	const rows = $derived(
		open.family.sounders(open.body, note).map((each) => {
			const row = memberOf(each);
			const own = found.flatMap(({ sounder, place }) =>
				memberOf(sounder) === row ? [{ note: groupOf(sounder), place }] : []
			);
			const { lowest, highest } = open.instrument;
			return { id: row, name: nameOf(row), places: pinPlaces(lowest, highest, own) };
		})
	);
	function nameOf(row: string) {
		const name = registerName(row);
		return name === 'only' ? 'Pins' : capital(name);
	}
	const place = $derived(rows.find(({ id }) => id === memberOf(sounder))?.places.get(note) ?? 0);
	/** From the nearest C below: that is how one counts. */
	const fromC = $derived(note % 12);
	function foundAt(at: number) {
		if (at !== place) session.record.act({ do: 'pinFound', sounder, place: at });
	}
</script>

<section aria-label="Pin of {noteName(note)}">
	<h2 class="panel-heading">Which pin? <span>seen from the keys, bass to the left</span></h2>
	<p class="where">
		{noteName(note)}{fromC === 0 ? ', a marked one' : `: ${counted(fromC, 'pin')} above ${noteName(note - fromC)}`}
	</p>
	<PinMap {rows} due={{ row: memberOf(sounder), note }} ontouch={foundAt} />
	<p class="soft">First a hair down. If the pitch does not follow, it is another pin: touch the one it was.</p>
	<div class="buttons">
		<button type="button" class="choice" onclick={() => foundAt(Math.ceil(place) - 1)}>One to the left</button>
		<button type="button" class="choice" onclick={() => foundAt(Math.floor(place) + 1)}>One to the right</button>
	</div>
</section>

<style>
	.where {
		font-family: var(--serif);
		font-size: 1.2rem;
		margin-bottom: 0.3rem;
	}
	.buttons {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		margin-top: 0.4rem;
	}
</style>
