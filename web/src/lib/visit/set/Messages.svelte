<script lang="ts" generics="Body">
	import { noteName } from '@fendrel/core';
	import { FAULT_WORDS } from '$lib/listening/faultWords';
	import type { RoomState } from '$lib/listening/room';
	import WhichKey from '../WhichKey.svelte';
	import type { SetSession } from './session.svelte';

	interface Props {
		session: SetSession<Body>;
		room: RoomState;
		/** Where to go when every note is set. */
		closeHref: string;
	}
	let { session, room, closeHref }: Props = $props();
	const setting = $derived(session.setting);
	const heard = $derived(setting.notice?.heard);
	const allSet = $derived(setting.order.every((step) => setting.isDone(step)));
</script>

<div class="messages" role="status">
	{#if session.listening.fault}<p class="notice">{FAULT_WORDS[session.listening.fault]}</p>
	{:else if setting.asked}
		<WhichKey
			asked={setting.asked}
			nameOf={(note) => setting.nameOf(note)}
			targetOf={(note) => setting.targetOf(note)}
			onanswer={(note) => setting.answer(note)}
		/>
	{:else if setting.notice}
		{#key setting.notice}<p class="notice said" class:passes={setting.notice.passes}>
				{setting.notice.text}
				{#if heard !== undefined && setting.order.some(({ note }) => note === heard)}
					<button type="button" class="anchor" onclick={() => session.do({ do: 'heard' })}
						>Go to {noteName(heard)}</button
					>
				{/if}
			</p>{/key}
	{:else if room.advice}<p class="notice">{room.advice}</p>
	{:else if session.listening.state === 'off'}<p class="soft">
			Press Listen, then strike {noteName(setting.step.note)}.
		</p>
	{:else if allSet}<p>Every note is set. Go to <a class="anchor" href={closeHref}>Close</a>.</p>{/if}
</div>

<style>
	.messages {
		min-height: 2rem;
	}
	.notice {
		padding: 0.4rem 0.9rem;
	}
	.said {
		border-left-color: var(--sharp);
		background: var(--sheet);
	}
</style>
