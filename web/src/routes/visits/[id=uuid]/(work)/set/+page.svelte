<script lang="ts">
	import { untrack } from 'svelte';
	import SetStage from '$lib/visit/set/SetStage.svelte';

	let { data } = $props();
	/** Most visits have no raise: what makes one comes when there is one. */
	async function raiseOf({ open }: typeof data) {
		if (!open.record.report.plan?.raise) return undefined;
		const { RaiseWork } = await import('$lib/visit/set/raiseWork.svelte');
		return RaiseWork.of(open);
	}
	// What is done here stands on this plan for as long as the page is open; another plan makes the page anew.
	const made = untrack(() => raiseOf(data));
</script>

{#await made then raise}<SetStage open={data.open} {raise} />
{:catch}<p class="problem" role="alert">The pass could not be loaded. Reload the page.</p>{/await}
