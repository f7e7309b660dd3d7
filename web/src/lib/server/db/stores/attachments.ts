import { database } from '../connection';
import type { AttachmentRow } from '../rows';

/** Most attachments that a visit has: with the record it must stay quick to copy. */
export const MOST_ATTACHMENTS = 200;

export async function getAttachment(
	workshopId: string,
	visitId: string,
	id: string
): Promise<AttachmentRow | undefined> {
	return (await database().models.attachments.findOne({ where: { workshopId, visitId, id } }))?.get();
}

export async function countAttachments(visitId: string): Promise<number> {
	return database().models.attachments.count({ where: { visitId } });
}

export async function addAttachment(row: AttachmentRow): Promise<void> {
	await database().models.attachments.create(row);
}
