<script lang="ts">
	import { untrack } from 'svelte';
	import { enhance as enhanced } from '$app/forms';
	import { superForm } from 'sveltekit-superforms';
	import { ROLE_WORDS } from '$lib/workshop/roles';
	import WorkshopPlaces from '$lib/account/WorkshopPlaces.svelte';
	import { onDay, onTime } from '$lib/ui/format';

	let { data, form: done } = $props();
	const { form, errors, enhance, submitting, message } = superForm(untrack(() => data.form));
	const fields = [
		{ key: 'password', label: 'Password that you have now', complete: 'current-password' },
		{ key: 'next', label: 'New password, 10 characters or more', complete: 'new-password' }
	] as const;
</script>

<svelte:head><title>Your account | Fendrel</title></svelte:head>

<WorkshopPlaces role={data.signedIn.role} />
<h1>{data.signedIn.name}</h1>
{#if data.signedIn.role}
	<p class="soft">{ROLE_WORDS[data.signedIn.role].name}: {ROLE_WORDS[data.signedIn.role].may}.</p>
{/if}
<div class="parts">
	<section aria-label="Where you are signed in">
		<h2>Where you are signed in</h2>
		<table>
			<thead><tr><th>Browser</th><th>Since</th><th>Used last</th><th></th></tr></thead>
			<tbody>
				{#each data.sessions as { id, device, createdAt, lastAt, isHere } (id)}
					<tr>
						<th scope="row">{device || 'A browser'}</th>
						<td>{onDay(createdAt)}</td>
						<td>{isHere ? 'here, now' : lastAt ? onTime(lastAt) : 'not known'}</td>
						<td>
							{#if !isHere}
								<form method="POST" action="?/end" use:enhanced>
									<input type="hidden" name="session" value={id} />
									<button class="btn preset-outlined-surface-300-700" aria-label="End {device}">End</button>
								</form>
							{/if}
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
		{#if data.sessions.length > 2}
			<form method="POST" action="?/end" use:enhanced>
				<input type="hidden" name="session" value="others" />
				<button class="btn preset-outlined-surface-300-700">End all others</button>
			</form>
		{/if}
		{#if done && 'ended' in done}<p role="status">{done.ended}</p>{/if}
	</section>
	<section aria-label="Password">
		<h2>Password</h2>
		<form method="POST" action="?/password" use:enhance class="grid gap-4">
			{#if $message}<p class="notice" role="alert">{$message}</p>{/if}
			{#each fields as { key, label, complete } (key)}
				<label class="field">
					<span>{label}</span>
					<input
						class="input"
						name={key}
						type="password"
						autocomplete={complete}
						bind:value={$form[key]}
						aria-invalid={!!$errors[key]}
					/>
					{#if $errors[key]}<span class="problem" role="alert">{$errors[key][0]}</span>{/if}
				</label>
			{/each}
			<button class="btn preset-filled-brand" disabled={$submitting}>Change it</button>
		</form>
	</section>
</div>

<style>
	.parts {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 22rem);
		gap: 2rem 4rem;
		margin-top: 1.5rem;
	}
	h2 {
		font-weight: 700;
		margin-bottom: 0.6rem;
	}
	table {
		width: 100%;
		border-collapse: collapse;
		margin-bottom: 1rem;
	}
	th {
		text-align: left;
	}
	thead th {
		color: var(--soft);
		font-size: 0.9rem;
	}
	tbody tr {
		border-top: 1px solid var(--line);
		height: 56px;
	}
	td:last-child {
		text-align: right;
	}
	@media (max-width: 820px) {
		.parts {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
