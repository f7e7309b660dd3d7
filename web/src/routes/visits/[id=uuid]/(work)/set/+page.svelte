<script lang="ts">
	import { untrack } from 'svelte';
	import SetStage from '$lib/visit/set/SetStage.svelte';

	let { data } = $props();
	/** Most visits have no raise and no bearing plan: what makes them comes when there is one. */
	async function workOf({ open }: typeof data) {
		const { raise, order } = open.record.report.plan ?? {};
		if (raise) {
			const { RaiseWork } = await import('$lib/visit/set/raiseWork.svelte');
			return { raise: await RaiseWork.of(open), bearing: undefined };
		}
		if (!order) return { raise: undefined, bearing: undefined };
		const { bearingOrder, isByBearing } = await import('$lib/visit/set/bearingOrder');
		return { raise: undefined, bearing: isByBearing(open) ? bearingOrder(open) : undefined };
	}
	// What is done here stands on this plan for as long as the page is open; another plan makes the page anew.
	const made = untrack(() => workOf(data));
</script>

{#await made then { raise, bearing }}<SetStage open={data.open} {raise} {bearing} />
{:catch}<p class="problem" role="alert">The pass could not be loaded. Reload the page.</p>{/await}
