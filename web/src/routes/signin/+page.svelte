<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { superForm } from 'sveltekit-superforms';
	import { hasUnsent } from '$lib/ui/unsent';
	import Entrance from '$lib/account/Entrance.svelte';

	let { data } = $props();
	let keeps = $state(false);
	onMount(() => void (keeps = hasUnsent()));
	const { form, errors, message, enhance, submitting } = superForm(untrack(() => data.form));
</script>

<svelte:head><title>Sign in | Fendrel</title></svelte:head>

<Entrance>
	<h1>Sign in</h1>
	{#if keeps}<p class="notice mt-4">What you sent is kept in this window. It goes out when you have signed in.</p>{/if}
	<form method="POST" use:enhance class="mt-6 grid gap-5">
		{#if $message}<p class="notice" role="alert">{$message}</p>{/if}
		<label class="field">
			<span>E-mail</span>
			<input
				class="input"
				name="email"
				type="email"
				autocomplete="username"
				bind:value={$form.email}
				aria-invalid={!!$errors.email}
			/>
			{#if $errors.email}<span class="problem">{$errors.email[0]}</span>{/if}
		</label>
		<label class="field">
			<span>Password</span>
			<input
				class="input"
				name="password"
				type="password"
				autocomplete="current-password"
				bind:value={$form.password}
				aria-invalid={!!$errors.password}
			/>
			{#if $errors.password}<span class="problem" role="alert">{$errors.password[0]}</span>{/if}
		</label>
		<button class="btn preset-filled-brand" disabled={$submitting}>Sign in</button>
	</form>
	{#if data.demo}
		<form method="POST" use:enhance class="mt-8 border-t pt-6" style="border-color: var(--line)">
			<p class="soft mb-3">Demo data is loaded: the Saltmarsh festival, as {data.demo.name} keeps it.</p>
			<input type="hidden" name="email" value={data.demo.email} />
			<input type="hidden" name="password" value={data.demo.password} />
			<button class="btn preset-outlined-surface-300-700 w-full" disabled={$submitting}
				>Look around as {data.demo.name}</button
			>
		</form>
	{/if}
</Entrance>
