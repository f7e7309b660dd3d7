<script lang="ts">
	import { enhance } from '$app/forms';
	import { mayDo } from '$lib/workshop/roles';
	import ConfirmForm from '$lib/ui/ConfirmForm.svelte';
	import { onDay, onShortDay } from '$lib/ui/format';
	import Pager from '$lib/ui/Pager.svelte';

	let { data, form } = $props();
	const mayErase = $derived(mayDo(data.signedIn.role, 'govern'));
	const called = ({ kind, name, startedAt }: (typeof data.deleted)[number]) =>
		kind === 'visit'
			? `${name}, visit of ${onDay(startedAt!)}`
			: kind === 'user'
				? `The account of ${name}`
				: `${name}, with its visits`;
</script>

<svelte:head><title>Deleted | Fendrel</title></svelte:head>

<h1>{data.deleted.length ? 'Deleted, for 30 days' : 'Nothing is deleted'}</h1>
{#if form && 'problem' in form}<p class="notice mt-4" role="alert">{form.problem}</p>{/if}
{#if form && 'done' in form}<p class="mt-4" role="status">{form.done}</p>{/if}
{#if data.deleted.length}
	<table class="rule-table">
		<thead><tr><th>What</th><th>Deleted</th><th>Goes for good</th><th></th></tr></thead>
		<tbody>
			{#each data.deleted as each (each.id)}
				<tr>
					<th scope="row">{called(each)}</th>
					<td class="soft">{onShortDay(each.deletedAt)}{each.by ? `, by ${each.by}` : ''}</td>
					<td class="soft">{onShortDay(each.until)}</td>
					<td>
						<div class="does">
							{#if each.isWithInstrument}<span class="soft">comes after its instrument</span>{/if}
							<form method="POST" action="?/bringBack" use:enhance>
								<input type="hidden" name="kind" value={each.kind} />
								<input type="hidden" name="id" value={each.id} />
								<button class="btn preset-outlined-surface-300-700" aria-label="Bring back {called(each)}"
									>Bring back</button
								>
							</form>
							{#if mayErase}
								<ConfirmForm
									label="Erase"
									of={called(each)}
									title="Erase it for good?"
									text="{called(
										each
									)}: erased now, with all that belongs to it. Nobody can bring it back, except from a backup."
									does="Erase it"
									action="?/erase"
									fields={{ kind: each.kind, id: each.id }}
								/>
							{/if}
						</div>
					</td>
				</tr>
			{/each}
		</tbody>
	</table>
{:else}
	<p class="soft mt-3">What is deleted stands here for 30 days and can be brought back.</p>
{/if}
<Pager
	next={data.next === undefined ? undefined : `?after=${data.next}`}
	first={data.isFirst ? undefined : '?'}
	of="deleted"
/>

<style>
	table {
		margin-top: 1.25rem;
	}
	.does {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
		justify-content: flex-end;
	}
</style>
