<script lang="ts">
	import { untrack } from 'svelte';
	import { superForm } from 'sveltekit-superforms';
	import Entrance from '$lib/account/Entrance.svelte';

	let { data } = $props();
	const { form, errors, enhance, submitting } = superForm(untrack(() => data.form));
	const fields = [
		{ key: 'workshop', label: 'Workshop', type: 'text', complete: 'organization' },
		{ key: 'name', label: 'Your name', type: 'text', complete: 'name' },
		{ key: 'email', label: 'E-mail', type: 'email', complete: 'username' },
		{ key: 'password', label: 'Password, 10 characters or more', type: 'password', complete: 'new-password' }
	] as const;
</script>

<svelte:head><title>Set up your workshop | Fendrel</title></svelte:head>

<Entrance>
	<h1>Set up your workshop</h1>
	<p class="soft mt-2">This is the first start. The account you create now is the owner's.</p>
	<form method="POST" use:enhance class="mt-6 grid gap-5">
		{#each fields as { key, label, type, complete } (key)}
			<label class="field">
				<span>{label}</span>
				<input
					class="input"
					name={key}
					{type}
					autocomplete={complete}
					bind:value={$form[key]}
					aria-invalid={!!$errors[key]}
				/>
				{#if $errors[key]}<span class="problem">{$errors[key][0]}</span>{/if}
			</label>
		{/each}
		<button class="btn preset-filled-brand" disabled={$submitting}>Begin</button>
	</form>
</Entrance>
