<script lang="ts">
	import type { SettingLine, SettingLines } from './lines';

	interface Props {
		lines: SettingLines;
		disabled: boolean;
		onback: (path: string) => void;
	}
	let { lines, disabled, onback }: Props = $props();
	let text = $state('');
	const found = $derived(lines.find(text));
	const differing = $derived(lines.differing);
	const MOST = 12;

	/** To where it stands; a table that is folded is opened first. */
	function goTo(path: string) {
		const field = document.querySelector<HTMLElement>(`[data-setting="${path}"]`);
		field?.closest('details')?.setAttribute('open', '');
		field?.scrollIntoView({ block: 'center' });
		field?.focus();
	}
</script>

{#snippet line({ path, name, is, usual }: SettingLine)}
	<li>
		<button type="button" class="name" onclick={() => goTo(path)}>{name}</button>
		<span>{is || '–'}</span>
		{#if lines.differs(path)}
			<span class="soft">usually {usual}</span>
			<button type="button" class="back" {disabled} aria-label="Put back: {name}" onclick={() => onback(path)}
				>Put back</button
			>
		{/if}
	</li>
{/snippet}

<search class="find">
	<label
		><span class="soft">Which setting?</span>
		<input class="input" type="search" bind:value={text} placeholder="tolerance, months, notes ..." /></label
	>
	{#if text.trim()}
		<p class="soft" role="status">
			{found.length
				? found.length > MOST
					? `${found.length} settings; the first ${MOST}:`
					: ''
				: 'No setting is called so.'}
		</p>
		<ul aria-label="Settings found">
			{#each found.slice(0, MOST) as each (each.path)}{@render line(each)}{/each}
		</ul>
	{:else if differing.length}
		<details>
			<summary
				><b>{differing.length === 1 ? 'One setting differs' : `${differing.length} settings differ`}</b> from the usual
				<span class="soft">(marked below)</span></summary
			>
			<ul aria-label="What differs from the usual">
				{#each differing as each (each.path)}{@render line(each)}{/each}
			</ul>
		</details>
	{:else}
		<p class="soft">Everything is as usual.</p>
	{/if}
</search>

<style>
	.find {
		display: grid;
		gap: 0.4rem;
		margin-top: 1rem;
	}
	.input {
		display: block;
		min-height: 44px;
		max-width: 24rem;
	}
	li {
		display: grid;
		grid-template-columns: minmax(14rem, 28rem) 12rem 14rem auto;
		gap: 0.25rem 1rem;
		align-items: center;
		border-bottom: 1px solid var(--line);
	}
	.name,
	.back {
		min-height: 44px;
		text-align: left;
		text-decoration: underline;
		text-decoration-color: var(--line);
		text-underline-offset: 0.2em;
	}
	summary {
		cursor: pointer;
		min-height: 44px;
		display: flex;
		gap: 0.35rem;
		align-items: center;
	}
	@media (max-width: 60rem) {
		li {
			grid-template-columns: 1fr auto;
		}
	}
</style>
