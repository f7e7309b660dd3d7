<script lang="ts">
	import type { FamilyId } from '@fendrel/core';
	import type { ComponentProps } from 'svelte';
	import { STRIPS } from './strip';

	interface Props extends Omit<ComponentProps<(typeof STRIPS)[FamilyId]>, 'lowest' | 'highest'> {
		family: { readonly id: string };
		body: { readonly lowest: number; readonly highest: number };
	}
	let { family, body, ...rest }: Props = $props();
	const Picture = $derived(STRIPS[family.id as FamilyId]);
</script>

<Picture lowest={body.lowest} highest={body.highest} {...rest} />
