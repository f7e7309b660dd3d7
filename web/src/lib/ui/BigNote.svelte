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
		font-size: 3.6rem;
		vertical-align: 2.1rem;
	}
	sub {
		font-size: 2.8rem;
		vertical-align: -0.1rem;
		color: var(--soft);
		margin-left: 0.15rem;
	}
	@media (max-width: 1100px) {
		.note {
			font-size: 6rem;
		}
		sup {
			vertical-align: 1.3rem;
		}
	}
	@media (max-width: 480px) {
		.note {
			font-size: 4rem;
		}
		sup {
			font-size: 2rem;
			vertical-align: 1.2rem;
		}
		sub {
			font-size: 1.6rem;
		}
	}
</style>
