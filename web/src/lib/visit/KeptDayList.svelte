<script lang="ts">
	import { onMount } from 'svelte';
	import { format } from 'date-fns';
	import { keptDay, type KeptDay } from '$lib/device/keptDay';
	import { signedInHere } from '$lib/device/owner';
	import BeginVisit from './BeginVisit.svelte';

	/** The day as it was fetched: what there is to do where there is no network. */
	let day = $state.raw<KeptDay | undefined>();
	onMount(async () => {
		await signedInHere();
		day = await keptDay();
	});
</script>

{#if day}
	<section aria-label="Today">
		<h2>Today, as it stood at {format(day.at, 'H:mm')}</h2>
		<ol>
			{#each day.stops as { id, startsAt, title, about, instruments } (id)}
				<li>
					<div>
						<p><span class="mono">{format(new Date(startsAt), 'H:mm')}</span> <b>{title}</b></p>
						<p class="soft">{about}</p>
					</div>
					<div class="does">
						{#each instruments as instrument (instrument.id)}
							<BeginVisit
								instrumentId={instrument.id}
								label={instruments.length > 1 ? instrument.name : 'Begin'}
								quiet
							/>
						{/each}
					</div>
				</li>
			{/each}
		</ol>
	</section>
{/if}

<style>
	section {
		max-width: 52rem;
		margin-top: 1.5rem;
	}
	h2 {
		font-size: 1.05rem;
	}
	li {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		align-items: center;
		padding: 0.6rem 0;
		border-top: 1px solid var(--line);
	}
	.does {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		justify-content: end;
	}
</style>
