<script lang="ts">
	import type { Judgement } from '../plan/judgement';
	import { headline } from '../plan/verdictWords';

	interface Props {
		judgement: Judgement;
		planHref: string;
	}
	let { judgement, planHref }: Props = $props();
</script>

<p role="alert">{headline(judgement, 0, new Date())} <a class="anchor" href={planHref}>See the plan</a></p>

<style>
	p {
		padding: 0.5rem 1.5rem;
		background: var(--warn-wash);
		color: var(--warn);
	}
</style>
