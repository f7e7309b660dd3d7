<script lang="ts">
	import type { RoomState } from './room';

	let { room }: { room: RoomState } = $props();
</script>

<p>
	<b>{room.title}</b>{#if room.detail}, {room.detail}{/if}
</p>
