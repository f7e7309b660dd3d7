<script lang="ts">
	/** The instrument that a typical one stands in for; undefined when none does. */
	let { name }: { name: string | undefined } = $props();
</script>

{#if name}
	<p class="notice" role="status">
		{name} has no whole octave in the middle of the keyboard, so this is calculated for a typical instrument of its kind.
	</p>
{/if}
