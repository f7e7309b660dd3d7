import type { FamilyId } from '@fendrel/core';
import KeyboardStrip from '$lib/charts/KeyboardStrip.svelte';

/** The picture that lies along the bottom of a visit's pages, for each family: its navigator. */
export const STRIPS = { keyboard: KeyboardStrip } satisfies Record<FamilyId, unknown>;
