<script lang="ts">
	interface Props {
		disabled?: boolean;
		onstrike: () => void;
		onblow: () => void;
		onstand: () => void;
		/** What is said of it when it is left. */
		stands: string;
	}
	let { disabled, onstrike, onblow, onstand, stands }: Props = $props();
</script>

<button type="button" class="btn preset-filled-brand" {disabled} onclick={onstrike}>Strike</button>
<button type="button" class="btn preset-outlined-surface-300-700" {disabled} onclick={onblow}>Firm blow</button>
<button type="button" class="btn preset-outlined-surface-300-700" {disabled} onclick={onstand}>{stands}</button>
