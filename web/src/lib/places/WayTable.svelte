<script lang="ts">
	import { sent } from '$lib/device/send';
	import { WAY, type Place } from './place';

	interface Props {
		place: Place;
		ways: readonly {
			readonly id: string;
			readonly name: string;
			/** As somebody has said; null: estimated. */
			readonly minutes: number | null;
			readonly estimated: number;
		}[];
		onchange: () => Promise<void>;
	}
	let { place, ways, onchange }: Props = $props();
	let problem = $state<string>();
	let said = $state<string>();

	async function keep(to: string, text: string) {
		const minutes = text.trim() === '' ? null : Number(text);
		if (minutes !== null && !(Number.isInteger(minutes) && minutes >= WAY.least && minutes <= WAY.most)) {
			problem = `A way takes ${WAY.least} to ${WAY.most} whole minutes.`;
			return;
		}
		problem = await sent('PUT', `/api/places/${place.id}/way`, { to, minutes });
		said = problem ? undefined : minutes === null ? 'Estimated again.' : `Kept: ${minutes} minutes.`;
		if (!problem) await onchange();
	}
</script>

{#if ways.length}
	<h2>How far is it to the others?</h2>
	<p class="soft">Minutes from door to door. What nobody has said is estimated, by the map or by the town.</p>
	{#if said}<p role="status">{said}</p>{/if}
	{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
	<ul>
		{#each ways as { id, name, minutes, estimated } (id)}
			<li>
				<label
					><span>{name}</span>
					<input
						class="input"
						inputmode="numeric"
						placeholder="about {estimated}"
						value={minutes ?? ''}
						onchange={(event) => keep(id, event.currentTarget.value)}
					/></label
				>
			</li>
		{/each}
	</ul>
{/if}

<style>
	h2 {
		margin-top: 1.5rem;
	}
	label {
		display: grid;
		grid-template-columns: 1fr 7rem;
		gap: 1rem;
		align-items: center;
		padding-block: 0.2rem;
	}
</style>
