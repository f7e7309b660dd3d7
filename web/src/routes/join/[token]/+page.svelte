<script lang="ts">
	import { untrack } from 'svelte';
	import { superForm } from 'sveltekit-superforms';
	import Entrance from '$lib/account/Entrance.svelte';
	import { ROLE_WORDS } from '$lib/workshop/roles';

	let { data } = $props();
	const { form, errors, enhance, submitting, message } = superForm(
		untrack(() => data.form) as never
	) as never as ReturnType<typeof superForm<{ name: string; email: string; password: string }>>;
	const all = [
		{ key: 'name', label: 'Your name', type: 'text', complete: 'name' },
		{ key: 'email', label: 'E-mail', type: 'email', complete: 'username' },
		{ key: 'password', label: 'Password, 10 characters or more', type: 'password', complete: 'new-password' }
	] as const;
	const fields = $derived(data.link?.user ? all.filter(({ key }) => key === 'password') : all);
</script>

<svelte:head><title>{data.link?.user ? 'A new password' : 'Join a workshop'} | Fendrel</title></svelte:head>

<Entrance>
	{#if data.link}
		<h1>{data.link.user ? `A new password, ${data.link.user}` : 'Join the workshop'}</h1>
		<p class="soft mt-2">
			{#if data.link.user}You are signed out everywhere else when you have chosen it.{:else}As {ROLE_WORDS[
					data.link.role
				].name.toLowerCase()}: {ROLE_WORDS[data.link.role].may}.{/if}
		</p>
		<form method="POST" use:enhance class="mt-6 grid gap-5">
			{#if $message}<p class="notice" role="alert">{$message}</p>{/if}
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
					{#if $errors[key]}<span class="problem" role="alert">{$errors[key]}</span>{/if}
				</label>
			{/each}
			<button class="btn preset-filled-brand" disabled={$submitting}>{data.link.user ? 'Choose it' : 'Join'}</button>
		</form>
	{:else}
		<h1>This link is over</h1>
		<p class="mt-3">{data.over}</p>
		<p class="mt-6"><a class="anchor" href="/signin">Sign in</a></p>
	{/if}
</Entrance>
