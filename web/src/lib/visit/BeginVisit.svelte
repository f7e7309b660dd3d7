<script lang="ts">
	import { goto } from '$app/navigation';
	import { beginVisit } from './begin';

	interface Props {
		instrumentId: string;
		label: string;
		/** Where in the visit one goes. */
		to?: string;
		/** One of many on a page. */
		quiet?: boolean;
	}
	let { instrumentId, label, to = '', quiet = false }: Props = $props();
	let busy = $state(false);
	let problem = $state<string | undefined>();

	async function begin() {
		busy = true;
		const begun = await beginVisit(instrumentId);
		problem = 'problem' in begun ? begun.problem : undefined;
		if ('value' in begun) await goto(`/visits/${begun.value}${to}`);
		busy = false;
	}
</script>

<div>
	<button
		type="button"
		class="btn {quiet ? 'preset-outlined-surface-300-700' : 'preset-filled-brand'}"
		disabled={busy}
		onclick={begin}>{label}</button
	>
	{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
</div>
