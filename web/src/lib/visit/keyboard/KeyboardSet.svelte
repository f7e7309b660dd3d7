<script lang="ts">
	import { untrack } from 'svelte';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import SetStage from '../set/SetStage.svelte';

	let { open }: { open: KeyboardVisit } = $props();
	/** Most visits have no raise and no bearing plan: what makes them comes when there is one. */
	async function workOf() {
		const { raise, order } = open.record.report.plan ?? {};
		if (raise) {
			const { RaiseWork } = await import('../set/raiseWork.svelte');
			return { raise: await RaiseWork.of(open), bearing: undefined };
		}
		if (!order) return { raise: undefined, bearing: undefined };
		const { bearingOrder, isByBearing } = await import('../set/bearingOrder');
		return { raise: undefined, bearing: isByBearing(open) ? bearingOrder(open) : undefined };
	}
	// What is done here stands on this plan for as long as the page is open; another plan makes the page anew.
	const made = untrack(workOf);
</script>

{#await made then { raise, bearing }}<SetStage {open} {raise} {bearing} />
{:catch}<p class="problem" role="alert">The pass could not be loaded. Reload the page.</p>{/await}
