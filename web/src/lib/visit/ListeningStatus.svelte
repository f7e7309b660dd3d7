<script lang="ts">
	import type { SoundInput } from '$lib/audio/soundInput.svelte';

	interface Props {
		listening: SoundInput;
		/** What is listened to: "tones that last". */
		to: string;
	}
	let { listening, to }: Props = $props();
</script>

<p><b>{listening.state === 'on' ? `Listening to ${to}` : 'Not listening'}</b></p>
