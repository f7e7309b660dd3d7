<script lang="ts">
	import { CHANGES } from '$lib/workshop/changes';
	import { groups } from 'd3-array';
	import { onDay, onTime } from '$lib/ui/format';
	import Pager from '$lib/ui/Pager.svelte';

	let { data } = $props();
	/** "usualA4" is "usual a4" to whoever reads it. */
	const fieldName = (field: string) =>
		field.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`).replace('a4', 'A4');
	const days = $derived(groups(data.changes, ({ at }) => onDay(at)));
</script>

<svelte:head><title>What was changed | Fendrel</title></svelte:head>

<h1>What was changed, and by whom</h1>
{#each days as [day, changes] (day)}
	<section>
		<h2>{day}</h2>
		<table class="rule-table">
			<tbody>
				{#each changes as { id, at, who, what, name, said } (id)}
					<tr>
						<td class="soft when">{onTime(at)}</td>
						<td>
							<b>{who ?? 'Fendrel or an erased account'}</b>
							{CHANGES[what]}
							{name || (what.startsWith('user') || what.startsWith('password') ? 'an erased account' : '')}
							{#if said}
								<ul>
									{#each Object.entries(said) as [field, [from, to]] (field)}
										<li>
											<span class="soft">{fieldName(field)}</span>
											{#if from}<del>{from}</del> <span aria-hidden="true">→</span>{/if}
											{to || 'nothing'}
										</li>
									{/each}
								</ul>
							{/if}
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</section>
{:else}
	<p class="soft mt-4">Nothing has been changed yet.</p>
{/each}
<Pager next={data.next && `?before=${data.next}`} first={data.isFirst ? undefined : '?'} of="changes" />

<style>
	section {
		margin-top: 1.5rem;
	}
	.when {
		width: 10rem;
		vertical-align: top;
		white-space: nowrap;
	}
	td {
		overflow-wrap: anywhere;
	}
	li {
		margin-top: 0.2rem;
	}
	del {
		color: var(--soft);
	}
</style>
