<script lang="ts">
	import { leaveButton, typedInto } from '$lib/ui/keys';

	/** The pedal goes through what is to be sounded: on, and back. */
	let { bench }: { bench: { goOn(by?: 1 | -1): void } } = $props();
	function onkeydown(event: KeyboardEvent) {
		if (typedInto(event) || event.ctrlKey) return;
		if (event.key === 'PageDown') bench.goOn();
		else if (event.key === 'PageUp') bench.goOn(-1);
		else return;
		event.preventDefault();
	}
</script>

<svelte:window {onkeydown} onclick={leaveButton} />
