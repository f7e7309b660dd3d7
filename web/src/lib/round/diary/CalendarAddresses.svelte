<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { send, sent } from '$lib/device/send';
	import { onTime } from '$lib/ui/format';
	import { readerSchema, type CalendarReader } from './reader';

	interface Props {
		addresses: readonly CalendarReader[];
	}
	let { addresses }: Props = $props();
	let made = $state<string>();
	let reader = $state('');
	let copied = $state(false);
	let problem = $state<string>();

	async function open(event: SubmitEvent) {
		event.preventDefault();
		const checked = readerSchema.safeParse({ reader });
		if (!checked.success) return (problem = checked.error.issues[0].message);
		const told = await send<{ token: string }>('POST', '/api/calendar', checked.data);
		problem = 'problem' in told ? told.problem : undefined;
		if ('problem' in told) return;
		made = `${location.origin}/calendar/${told.value.token}.ics`;
		[copied, reader] = [false, ''];
		await invalidateAll();
	}
	async function withdraw(id: string) {
		problem = await sent('DELETE', `/api/calendar/${id}`);
		made = undefined;
		await invalidateAll();
	}
	async function copy() {
		await navigator.clipboard.writeText(made!);
		copied = true;
	}
</script>

<section aria-label="In your own calendar">
	<h2>In your own calendar</h2>
	<p class="soft">
		<a class="anchor" href="/round/diary/calendar" download>Download your visits as a file</a>, or let your calendar
		read them at an address of its own. Whoever knows the address sees your visits.
	</p>
	{#if made}
		<p role="status">Give this to your calendar. It is not shown again.</p>
		<p class="row">
			<code data-testid="calendar">{made}</code><button class="choice" onclick={copy}
				>{copied ? 'Copied' : 'Copy'}</button
			>
		</p>
	{/if}
	{#each addresses as { id, reader: by, madeAt, readAt } (id)}
		<p class="row">
			<span
				>{by}
				<span class="soft"
					>made {onTime(new Date(madeAt))}{readAt ? `, read last ${onTime(new Date(readAt))}` : ', not read yet'}</span
				></span
			>
			<button class="choice" onclick={() => withdraw(id)}>Withdraw</button>
		</p>
	{/each}
	<form onsubmit={open}>
		<label class="field"
			><span>Which calendar reads it</span><input
				class="input"
				placeholder="Telephone"
				maxlength="60"
				bind:value={reader}
			/></label
		>
		<button class="btn preset-outlined-surface-300-700">Make an address</button>
	</form>
	{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
</section>

<style>
	section {
		display: grid;
		gap: 0.6rem;
		justify-items: start;
		margin-top: 2rem;
	}
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		align-items: end;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.8rem;
		align-items: center;
	}
</style>
