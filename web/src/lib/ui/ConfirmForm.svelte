<script lang="ts">
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import { enhance } from '$app/forms';
	import DialogSheet from './DialogSheet.svelte';

	interface Props {
		/** What the button says that asks. */
		label: string;
		/** For whoever cannot see what stands beside it. */
		of?: string;
		/** What is asked, and what happens then. */
		title: string;
		text: string;
		/** What the button says that does it. */
		does: string;
		action: string;
		fields?: Readonly<Record<string, string>>;
	}
	let { label, of, title, text, does, action, fields = {} }: Props = $props();
	let asked = $state(false);
</script>

<button
	type="button"
	class="btn preset-outlined-surface-300-700"
	aria-label={of ? `${label} ${of}` : undefined}
	onclick={() => (asked = true)}>{label}</button
>
<DialogSheet open={asked} {title} onclose={() => (asked = false)} sheet="max-w-lg">
	<p>{text}</p>
	<form
		method="POST"
		{action}
		class="mt-6 flex flex-wrap gap-3"
		use:enhance={() =>
			({ update }) => {
				asked = false;
				return update();
			}}
	>
		{#each Object.entries(fields) as [name, value] (name)}<input type="hidden" {name} {value} />{/each}
		<button class="btn preset-filled-brand">{does}</button>
		<Dialog.CloseTrigger type="button" class="btn preset-outlined-surface-300-700">Cancel</Dialog.CloseTrigger>
	</form>
</DialogSheet>
