<script lang="ts">
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { judge } from '../plan/judgement';
	import { headline } from '../plan/verdictWords';

	interface Props {
		open: KeyboardVisit;
		planHref: string;
	}
	let { open, planHref }: Props = $props();
	const judgement = $derived(judge(open));
</script>

{#if judgement?.verdict.kind === 'barred'}
	<p role="alert">{headline(judgement, 0, new Date())} <a class="anchor" href={planHref}>See the plan</a></p>
{/if}

<style>
	p {
		padding: 0.5rem 1.5rem;
		background: var(--warn-wash);
		color: var(--warn);
	}
</style>
