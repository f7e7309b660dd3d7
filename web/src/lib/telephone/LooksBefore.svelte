<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { send, sent } from '$lib/device/send';
	import { onShortDay, onTime } from '$lib/ui/format';
	import { effortWords, technicianWords, type ToldLook } from './told';

	interface Props {
		instrumentId: string;
		looks: readonly ToldLook[];
		mayWork: boolean;
	}
	let { instrumentId, looks, mayWork }: Props = $props();
	let made = $state<string>();
	let copied = $state(false);
	let problem = $state<string>();
	let sending = $state(false);
	const MOST = 3;
	const path = $derived(`/api/instruments/${instrumentId}/telephone`);

	async function ask() {
		sending = true;
		const told = await send<{ token: string }>('POST', path, {});
		sending = false;
		problem = 'problem' in told ? told.problem : undefined;
		if ('problem' in told) return;
		made = `${location.origin}/look/${told.value.token}`;
		copied = false;
		await invalidateAll();
	}
	async function withdraw(id: string) {
		problem = await sent('DELETE', path, { look: id });
		made = undefined;
		await invalidateAll();
	}
	async function copy() {
		try {
			await navigator.clipboard.writeText(made!);
			copied = true;
		} catch {
			problem = 'The browser does not let this page copy. Mark the address and copy it by hand.';
		}
	}
</script>

<section aria-label="Before the visit">
	<h2>Before the visit</h2>
	{#each looks.slice(0, MOST) as look (look.id)}
		<div>
			{#if look.told}
				<p>
					<b>By telephone, {onShortDay(look.heardAt!)}:</b>
					{technicianWords(look.told)}. {effortWords(look.told)},
					{look.agreedAt ? `agreed by ${look.agreedBy}.` : 'not agreed yet.'}
				</p>
			{:else}
				<p class="soft">A link of {onTime(look.madeAt)}, good until {onShortDay(look.endsAt)}: not played yet.</p>
			{/if}
			{#if look.isOpen && mayWork}<button class="choice" onclick={() => withdraw(look.id)}>Withdraw the link</button
				>{/if}
		</div>
	{/each}
	{#if made}
		<p role="status">Send this to the owner. It is not shown again.</p>
		<p class="row">
			<code data-testid="owners-link">{made}</code><button class="choice" onclick={copy}
				>{copied ? 'Copied' : 'Copy'}</button
			>
		</p>
	{:else if mayWork}
		<button class="choice" disabled={sending} onclick={ask}>Let the owner play ten notes</button>
	{/if}
	{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
</section>

<style>
	section {
		margin-top: 1.5rem;
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 0.5rem;
		justify-items: start;
	}
	h2 {
		font-family: inherit;
		font-size: 1rem;
		font-weight: 700;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		align-items: center;
	}
</style>
