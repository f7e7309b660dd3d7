<script lang="ts" generics="Body">
	import { earLean, type EarNote } from '@fendrel/core';
	import { stretchByCurve } from '$lib/tuning/stretch';
	import { fixed, signed } from '$lib/ui/format';
	import type { KeyboardVisit } from '../keyboardVisit.svelte';
	import { followingCurve } from './followingCurve';
	import type { SetSession } from './session.svelte';

	/** Ear against meter: how far notes kept by ear stand off the plan, whether they lean, and whether the rest shall follow. */
	interface Props {
		session: SetSession<Body>;
		open: KeyboardVisit;
		/** Oldest first. */
		ear: readonly EarNote[];
	}
	let { session, open, ear }: Props = $props();
	const SHOWN = 6;
	const lean = $derived(earLean(ear));
	const last = $derived(ear.slice(-SHOWN));
	const hasCurve = $derived(open.curve !== undefined);

	function follow() {
		const curve = followingCurve(open, ear);
		if (!curve) return;
		open.replan({ stretch: stretchByCurve(curve.id) }, curve);
		session.planAnew(open.plan);
		session.setting.notice = { text: 'Notes that are not set yet follow your ear. Undo takes it back.', passes: true };
	}
</script>

<section aria-label="Ear against meter">
	<h2 class="panel-heading">Ear against meter <span>cents</span></h2>
	<p class="notes">
		{#each last as { note, off } (note)}<span><b>{session.setting.nameOf(note)}</b> {signed(off)}</span>{/each}
	</p>
	{#if lean}
		<p class="soft">
			{#if lean.leans}The last {lean.notes} lean {lean.mean < 0 ? 'flat' : 'sharp'}: {signed(lean.mean)} ±{fixed(
					lean.error,
					1
				)}.
				{open.instrument.kind === 'harpsichord' ? '' : 'On wound strings of the tenor the ear is usually right.'}
			{:else}They lean neither way.{/if}
		</p>
	{/if}
	{#if hasCurve}
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={follow}
			>Let notes not set yet follow</button
		>
	{:else}<p class="soft">With a curve in the plan, notes that are not set yet could follow.</p>{/if}
</section>

<style>
	section {
		margin-top: 1rem;
	}
	.notes {
		display: flex;
		flex-wrap: wrap;
		gap: 0.2rem 1rem;
		font-variant-numeric: tabular-nums;
	}
	p {
		font-size: 0.95rem;
		line-height: 1.35;
		margin-bottom: 0.4rem;
	}
</style>
