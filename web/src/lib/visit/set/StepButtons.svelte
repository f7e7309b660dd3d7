<script lang="ts" generics="Body">
	import Segments from '$lib/ui/Segments.svelte';
	import type { Setting } from './setting.svelte';

	interface Props {
		setting: Setting<Body>;
		/** A pass of a raise: it is quick and rough. */
		isRaise: boolean;
	}
	let { setting, isRaise }: Props = $props();
	const choose = (chosen: string) => setting.leaveOpen(setting.choices.find(({ id }) => id === chosen)!);
</script>

<div class="steps" class:tight={setting.choices.length > 1}>
	<div class="strings">
		<Segments label="Strings left unmuted" choices={setting.choices} chosen={setting.open.id} onchoose={choose} />
	</div>
	{#if !setting.step.unison && !isRaise && setting.choices.some(({ sounders }) => sounders.length > 1)}
		<button
			type="button"
			class="btn preset-outlined-surface-300-700"
			aria-pressed={setting.together.pair !== undefined}
			onclick={() => setting.byPair()}>By pair</button
		>
	{/if}
	{#if setting.step.unison}
		<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => setting.later()}>Later</button>
	{/if}
	<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => setting.previous()}>Back</button>
	<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => setting.keep()}
		>Keep as it stands</button
	>
	<button type="button" class="btn preset-outlined-surface-300-700" onclick={() => setting.next()}>Next</button>
</div>

<style>
	.steps {
		display: flex;
		gap: 0.5rem;
		flex-wrap: wrap;
	}
	.strings {
		margin-right: auto;
	}
	[aria-pressed='true'] {
		border-color: var(--felt);
		color: var(--felt);
	}
	.tight .btn {
		padding-inline: 0.55rem;
	}
	@media (max-width: 1100px) {
		.btn {
			padding-inline: 0.65rem;
		}
	}
</style>
