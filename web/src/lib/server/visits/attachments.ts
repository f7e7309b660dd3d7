import { createHash } from 'node:crypto';
import { error } from '@sveltejs/kit';
import { UniqueConstraintError } from 'sequelize';
import { validate as isUuid } from 'uuid';
import { attachmentKind, MOST_BYTES } from '$lib/record/attachmentKinds';
import type { AttachmentRow } from '../db/rows';
import { addAttachment, countAttachments, getAttachment, MOST_ATTACHMENTS } from '../db/stores/attachments';
import { orNotFound, visitOr404 } from '../find';
import { withoutMetadata } from './withoutMetadata';

export async function attachmentOf(workshopId: string, visit: string, id: string): Promise<AttachmentRow> {
	const { id: visitId } = await visitOr404(workshopId, visit);
	return orNotFound(isUuid(id) ? await getAttachment(workshopId, visitId, id) : undefined, 'photo or sound');
}

/** Keeps what belongs to a visit, once; answers 400, 409 or 413 with what is wrong. */
export async function keepAttachment(workshopId: string, visit: string, id: string, bytes: Buffer): Promise<void> {
	const { id: visitId } = await visitOr404(workshopId, visit);
	if (!isUuid(id)) error(400, { message: 'That is no number of an attachment.' });
	if (bytes.length > MOST_BYTES)
		error(413, { message: `It has ${Math.ceil(bytes.length / 1024)} kB; ${MOST_BYTES / 1024} fit.` });
	const known = attachmentKind(bytes);
	if (!known) error(400, { message: 'It is neither a photo nor a sound that can be kept.' });
	const hash = createHash('sha256').update(bytes).digest('hex');
	const isThere = async () => {
		const before = await getAttachment(workshopId, visitId, id);
		if (before && before.hash !== hash) error(409, { message: 'Something else is already stored under its number.' });
		return before !== undefined;
	};
	if (await isThere()) return;
	if ((await countAttachments(visitId)) >= MOST_ATTACHMENTS)
		error(413, { message: `This visit has ${MOST_ATTACHMENTS} photos and sounds already.` });
	try {
		// The hash is of what was sent: sent again it is known again.
		const plain = withoutMetadata(bytes);
		await addAttachment({ visitId, id, workshopId, type: known.type, bytes: plain, hash, addedAt: new Date() });
	} catch (fault) {
		// Sent twice at once.
		if (!(fault instanceof UniqueConstraintError) || !(await isThere())) throw fault;
	}
}
