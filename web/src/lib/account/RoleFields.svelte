<script lang="ts">
	import { capital } from '$lib/ui/format';
	import { ROLE_WORDS, ROLES, type Role } from '$lib/workshop/roles';

	interface Props {
		/** As it stands. */
		role: Role;
		places: readonly { readonly id: string; readonly name: string; readonly town: string }[];
		/** A guest's, by their ids. */
		seen?: readonly string[];
	}
	let { role, places, seen = [] }: Props = $props();
	// A new person, or another one, begins with what is said of them.
	let chosen = $derived(role);
</script>

<label class="field">
	<span>Role</span>
	<select class="select" name="role" bind:value={chosen}>
		{#each ROLES as id (id)}<option value={id}>{ROLE_WORDS[id].name}</option>{/each}
	</select>
</label>
<p class="soft">{capital(ROLE_WORDS[chosen].may)}.</p>
{#if chosen === 'guest'}
	<fieldset>
		<legend>Sees the instruments at</legend>
		{#each places as { id, name, town } (id)}
			<label
				><input type="checkbox" name="places" value={id} checked={seen.includes(id)} />
				{name} <span class="soft">{town}</span></label
			>
		{:else}
			<p class="soft">No instrument has a place yet. Say where one stands, then invite its guest.</p>
		{/each}
	</fieldset>
{/if}

<style>
	fieldset {
		display: grid;
		gap: 0.2rem;
		max-height: 15rem;
		overflow-y: auto;
	}
	legend {
		font-weight: 600;
		margin-bottom: 0.3rem;
	}
	fieldset label {
		display: flex;
		gap: 0.5rem;
		align-items: center;
		min-height: 44px;
	}
</style>
