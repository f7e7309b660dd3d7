<script lang="ts">
	import { untrack } from 'svelte';
	import { invalidateAll } from '$app/navigation';
	import { nowSignedIn } from '$lib/device/owner';
	import { sent } from '$lib/device/send';
	import { mayDo, REFUSED } from '$lib/workshop/roles';
	import HabitsDialog from '$lib/listening/HabitsDialog.svelte';
	import { REGISTER_NAMES, registerReach } from '$lib/listening/registers';
	import { draftOf, readDraft, type Draft } from '$lib/settings/draft';
	import { LISTENING, putBack, SettingLines } from '$lib/settings/lines';
	import FindSetting from '$lib/settings/FindSetting.svelte';
	import WritingSection from '$lib/settings/WritingSection.svelte';
	import ExaminationTable from '$lib/settings/ExaminationTable.svelte';
	import AgainLines from '$lib/settings/AgainLines.svelte';
	import RaiseSection from '$lib/settings/RaiseSection.svelte';
	import TariffSection from '$lib/settings/TariffSection.svelte';
	import PurposeTable from '$lib/settings/PurposeTable.svelte';
	import { USUAL_SETTINGS } from '$lib/settings/settings';
	import { counted, fixed } from '$lib/ui/format';

	let { data } = $props();
	const mayDecide = $derived(mayDo(data.signedIn.role, 'decide'));
	const { pace, habits } = $derived(data);
	let draft = $state(untrack(() => draftOf(data.settings)));
	let kept = $state(untrack(() => JSON.stringify(draftOf(data.settings))));
	let problem = $state<string | undefined>();
	let saving = $state(false);
	let choosing = $state(false);
	const changed = $derived(JSON.stringify(draft) !== kept);
	const lines = $derived(new SettingLines($state.snapshot(draft) as Draft, habits));

	async function keep(event: SubmitEvent) {
		event.preventDefault();
		const read = await readDraft($state.snapshot(draft) as Draft);
		if ('problem' in read) {
			problem = read.problem;
			return;
		}
		saving = true;
		const typed = JSON.stringify(draft);
		problem = await sent('PUT', '/api/settings', read.value);
		saving = false;
		if (problem) return;
		kept = typed;
		// Every name and figure on the page is written anew.
		if (JSON.stringify(read.value.writing) === JSON.stringify(data.settings.writing)) return invalidateAll();
		// Visits are written by what the device knows of whoever is signed in.
		await nowSignedIn({ ...data.signedIn, writing: read.value.writing }).catch(() => {});
		location.reload();
	}
	const told = $derived({
		tuning: pace.tunings ? `${fixed(pace.tariff.tuning, 0)} by ${counted(pace.tunings, 'visit')} of yours` : '',
		pass: pace.raises ? `${fixed(pace.tariff.pass, 0)} by ${counted(pace.raises, 'raise')} of yours` : ''
	} as Record<string, string>);
</script>

<svelte:head><title>Settings | Fendrel</title></svelte:head>

<h1>What the workshop decides</h1>
{#if !mayDecide}<p class="soft">{REFUSED.decide}</p>{/if}
<FindSetting
	{lines}
	disabled={!mayDecide}
	onback={(path) => (path === LISTENING ? (choosing = true) : putBack(draft, path))}
/>
<form onsubmit={keep}>
	<fieldset disabled={!mayDecide}>
		<PurposeTable {draft} {lines} />
		<ExaminationTable {draft} {lines} />
		<div class="three">
			<RaiseSection {draft} {lines} />
			<TariffSection {draft} {lines} {told} />
			<section aria-label="When again?">
				<AgainLines {draft} {lines} />
				<h2 class="next"><b>How is a strike read?</b></h2>
				<ul>
					{#each habits as { partial, moment }, i (i)}
						<li>
							<span>{REGISTER_NAMES[i]} <span class="soft">{registerReach(habits, i)}</span></span>
							<span class="mono">{partial ? `partial ${partial}` : 'all partials'}, {moment} s</span>
						</li>
					{/each}
				</ul>
				<button
					type="button"
					class="btn preset-outlined-surface-300-700"
					class:differs={lines.differs(LISTENING)}
					data-setting={LISTENING}
					onclick={() => (choosing = true)}>Change how it is read</button
				>
			</section>
		</div>
		<WritingSection {draft} {lines} />
		<div class="keep">
			{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
			<button class="btn preset-filled-brand" disabled={saving || !changed}>{changed ? 'Keep' : 'Kept'}</button>
			<button
				type="button"
				class="btn preset-outlined-surface-300-700"
				onclick={() =>
					(draft = draftOf({ ...USUAL_SETTINGS, price: data.settings.price, currency: data.settings.currency }))}
				>All as usual</button
			>
			<span class="soft">Visits that are open on a device take it when they are next opened there.</span>
		</div>
	</fieldset>
</form>
<HabitsDialog {habits} bind:open={choosing} onkept={() => void invalidateAll()} />

<style>
	fieldset {
		display: contents;
	}
	form {
		display: grid;
		gap: 1.75rem;
		margin-top: 1rem;
	}
	form :global(label:has(> select)) {
		display: block;
		font-size: 0.9rem;
		color: var(--soft);
	}
	form :global(label > select) {
		display: block;
		width: 100%;
		min-height: 44px;
		color: var(--ink);
		font-size: 1rem;
	}
	form :global(.differs) {
		border-bottom: 3px solid var(--sharp);
		background: color-mix(in srgb, var(--sharp) 12%, var(--sheet));
	}
	form :global(h2) {
		font-family: inherit;
		font-size: 1rem;
		margin-bottom: 0.4rem;
	}
	form :global(h2 span) {
		color: var(--soft);
		font-weight: 400;
	}
	.three {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(20rem, 1fr));
		gap: 1.5rem 2.5rem;
		border-top: 1px solid var(--line);
		padding-top: 1.25rem;
	}
	.next {
		margin-top: 1rem;
	}
	li {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		padding: 0.3rem 0;
		border-bottom: 1px solid var(--line);
		font-size: 0.95rem;
	}
	ul {
		margin-bottom: 0.6rem;
	}
	.keep {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		align-items: center;
		position: sticky;
		bottom: 0;
		background: var(--ground);
		padding: 0.75rem 0;
		border-top: 1px solid var(--line);
	}
	.keep .problem {
		width: 100%;
	}
</style>
