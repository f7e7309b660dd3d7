<script lang="ts">
	import Moon from '@lucide/svelte/icons/moon';
	import Sun from '@lucide/svelte/icons/sun';
	import { browser } from '$app/environment';
	import { page } from '$app/state';
	import { keepLook, lookNow, type Look } from './look';

	/** Brief: without a word beside its sign. */
	let { isBrief = false }: { isBrief?: boolean } = $props();
	let look = $state<Look>(browser ? lookNow() : page.data.look === 'lamp' ? 'lamp' : 'day');

	function toggle() {
		look = look === 'day' ? 'lamp' : 'day';
		keepLook(look);
	}
</script>

<button
	type="button"
	onclick={toggle}
	class="look"
	aria-label={look === 'day' ? 'Dim the screen for a dark room' : 'Light screen for daylight'}
>
	{#if look === 'day'}<Moon size={18} />{isBrief ? '' : 'Lamp'}{:else}<Sun size={18} />{isBrief ? '' : 'Day'}{/if}
</button>

<style>
	.look {
		display: inline-flex;
		align-items: center;
		gap: 0.4rem;
		min-height: 44px;
		padding: 0 0.5rem;
		color: var(--soft);
		cursor: pointer;
	}
	.look:hover {
		color: var(--ink);
	}
</style>
