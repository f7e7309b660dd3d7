<script lang="ts">
	import { enhance } from '$app/forms';
	import ConfirmForm from '$lib/ui/ConfirmForm.svelte';
	import DialogSheet from '$lib/ui/DialogSheet.svelte';
	import { counted, listed, onTime } from '$lib/ui/format';
	import RoleFields from '$lib/account/RoleFields.svelte';
	import { ROLE_WORDS } from '$lib/workshop/roles';

	let { data, form } = $props();
	let changing = $state<(typeof data.people)[number] | undefined>();
	const placeName = (id: string) => data.places.find((place) => place.id === id)?.name ?? '';
	let copied = $state(false);
	async function copy(link: string) {
		await navigator.clipboard.writeText(link);
		copied = true;
	}
</script>

<svelte:head><title>People | Fendrel</title></svelte:head>

<h1>{counted(data.people.length, 'person', 'people')} in {data.signedIn.workshop}</h1>
{#if form && 'problem' in form}<p class="notice mt-4" role="alert">{form.problem}</p>{/if}
{#if form && 'done' in form}<p class="said" role="status">{form.done}</p>{/if}
{#if form && 'link' in form && form.link}
	<div class="link" role="status">
		<p>
			{#if form.for}Give {form.for} this link: it lets them choose a new password.{:else}Give the new person this link.{/if}
			It works once, for seven days, and is not shown again.
		</p>
		<p class="row">
			<code data-testid="link">{form.link}</code>
			<button class="btn preset-outlined-surface-300-700" onclick={() => copy(form.link!)}
				>{copied ? 'Copied' : 'Copy'}</button
			>
		</p>
	</div>
{/if}

<div class="parts">
	<section aria-label="People">
		<table class="rule-table">
			<thead><tr><th>Name</th><th>Role</th><th></th></tr></thead>
			<tbody>
				{#each data.people as person (person.id)}
					{@const isMe = person.id === data.signedIn.userId}
					<tr>
						<th scope="row">{person.name}{isMe ? ', you' : ''} <span class="soft">{person.email}</span></th>
						<td>
							{ROLE_WORDS[person.role].name}
							{#if person.places.length}<span class="soft">at {listed(person.places.map(placeName))}</span>{/if}
						</td>
						<td
							><div class="does">
								<button
									class="btn preset-outlined-surface-300-700"
									aria-label="Change the role of {person.name}"
									onclick={() => (changing = person)}>Role</button
								>
								{#if !isMe}
									<form
										method="POST"
										action="?/reset"
										use:enhance={() =>
											({ update }) => ((copied = false), update())}
									>
										<input type="hidden" name="user" value={person.id} />
										<button class="btn preset-outlined-surface-300-700" aria-label="New password for {person.name}"
											>New password</button
										>
									</form>
									<ConfirmForm
										label="Delete"
										of={person.name}
										title="Delete the account of {person.name}?"
										text="They are signed out everywhere and cannot sign in. Visits and readings stay. For 30 days the account can be brought back; after that name, e-mail and password are gone."
										does="Delete the account"
										action="?/delete"
										fields={{ user: person.id }}
									/>
								{/if}
							</div></td
						>
					</tr>
				{/each}
			</tbody>
		</table>
		{#if data.invitations.length}
			<h2>Links that still work</h2>
			<table class="rule-table">
				<tbody>
					{#each data.invitations as { id, role, expiresAt, for: name } (id)}
						<tr>
							<th scope="row"
								>{name ? `New password for ${name}` : `Invitation, ${ROLE_WORDS[role].name.toLowerCase()}`}</th
							>
							<td class="soft">until {onTime(expiresAt)}</td>
							<td
								><div class="does">
									<form method="POST" action="?/withdraw" use:enhance>
										<input type="hidden" name="link" value={id} />
										<button class="btn preset-outlined-surface-300-700">Withdraw</button>
									</form>
								</div></td
							>
						</tr>
					{/each}
				</tbody>
			</table>
		{/if}
	</section>
	<section aria-label="Invite somebody">
		<h2>Invite somebody</h2>
		<form
			method="POST"
			action="?/invite"
			use:enhance={() =>
				({ update }) => ((copied = false), update())}
			class="grid gap-3"
		>
			<RoleFields role="technician" places={data.places} />
			<button class="btn preset-filled-brand">Make a link</button>
		</form>
	</section>
</div>

<DialogSheet
	open={!!changing}
	title="What {changing?.name ?? ''} may do"
	onclose={() => (changing = undefined)}
	sheet="max-w-lg"
>
	{#if changing}
		<form
			method="POST"
			action="?/change"
			class="grid gap-3"
			use:enhance={() =>
				({ update }) => {
					changing = undefined;
					return update();
				}}
		>
			<input type="hidden" name="user" value={changing.id} />
			<RoleFields role={changing.role} places={data.places} seen={changing.places} />
			<button class="btn preset-filled-brand mt-3">Change it</button>
		</form>
	{/if}
</DialogSheet>

<style>
	.parts {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 20rem);
		gap: 2rem 3.5rem;
		margin-top: 1.25rem;
	}
	h2 {
		font-weight: 700;
		margin-bottom: 0.6rem;
	}
	section h2:not(:first-child) {
		margin-top: 2rem;
	}
	th .soft {
		display: block;
		font-weight: 400;
	}
	.does {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		justify-content: flex-end;
	}
	.said {
		margin-top: 1rem;
	}
	.link {
		margin-top: 1rem;
		padding: 0.8rem 1rem;
		border-left: 4px solid var(--felt);
		background: var(--sheet);
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem;
		align-items: center;
	}
	@media (max-width: 900px) {
		.parts {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
