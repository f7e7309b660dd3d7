<script lang="ts">
	import { noteParts } from './format';

	/** The note that is due, to be read from two metres. */
	let { note }: { note: number } = $props();
	const { letter, accidental, octave } = $derived(noteParts(note));
</script>

<p class="note" aria-label="Due: {letter}{accidental}{octave}">
	{letter}<sup>{accidental}</sup><sub>{octave}</sub>
</p>

<style>
	.note {
		font-size: 7.5rem;
		line-height: 1;
		letter-spacing: -0.02em;
	}
	sup {
		font-size: 0.48em;
		vertical-align: 0.58em;
	}
	sub {
		font-size: 0.38em;
		vertical-align: -0.04em;
		color: var(--soft);
		margin-left: 0.06em;
	}
	@media (max-width: 1100px) {
		.note {
			font-size: 6rem;
		}
	}
	@media (max-width: 480px) {
		.note {
			font-size: 4rem;
		}
	}
</style>
