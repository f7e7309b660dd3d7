import type { AttachmentKind } from '@fendrel/core';
import { v7 as uuid } from 'uuid';
import { attachments } from '$lib/handover/attachments.svelte';
import type { VisitRecord } from './visitRecord.svelte';

/** Puts a photo or a sound on record. @param part what it shows */
export async function attach(record: VisitRecord, part: string, kind: AttachmentKind, bytes: Blob): Promise<void> {
	const attachment = uuid();
	// The bytes first: an act without them would show nothing.
	await attachments.add(record.visitId, attachment, bytes);
	record.act({ do: 'attach', attachment, part, kind });
}
