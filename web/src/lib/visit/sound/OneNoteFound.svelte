<script lang="ts" generics="Body">
	import { goto } from '$app/navigation';
	import { amongFew, noteName, spotTargets } from '@fendrel/core';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { oneNoteFound } from './foundWords';
	import type { Survey } from './survey.svelte';

	/** What its neighbours say of the one note that somebody came for. */
	let { survey, open }: { survey: Survey<Body>; open: KeyboardVisit } = $props();
	const note = $derived(survey.choice.around);
	const levels = $derived(
		survey.notes.flatMap((each) => {
			const [level, found] = [survey.offset(each), survey.found.get(each)];
			return level === undefined || !found ? [] : [{ note: each, level, error: found.pitchError }];
		})
	);
	const around = $derived(amongFew(levels).find((each) => each.note === note));
	const level = $derived(levels.find((each) => each.note === note)?.level ?? 0);
	const spread = $derived(survey.walked.get(note)?.spread);
	const words = $derived(oneNoteFound(noteName(note), around && level - around.expected, spread));

	async function mend() {
		const neighbourhoods = new Map(around && [[note, { ...around, isStray: true }]]);
		open.touchOnly(spotTargets([note], neighbourhoods, [], open.visit.tolerance));
		await goto(`/visits/${open.visit.id}/set`);
	}
</script>

<p class="verdict" data-testid="one-note">{words}</p>
<button type="button" class="btn preset-filled-brand" onclick={mend}>Mend {noteName(note)}</button>

<style>
	.verdict {
		font-size: 1.6rem;
		margin-bottom: 0.75rem;
	}
</style>
