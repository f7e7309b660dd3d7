import { v7 as uuid } from 'uuid';
import { describe, expect, it } from 'vitest';
import { MOST_BYTES } from '$lib/record/attachmentKinds';

import { beginVisit, details, newWorkshop, withDatabase, newInstrument } from '../tests/parts';
import { attachmentOf, keepAttachment } from './attachments';
import { withoutMetadata } from './withoutMetadata';

withDatabase();

const photo = (size: number) => Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(size, 7)]);
const status = (work: Promise<unknown>) =>
	work.then(
		() => 200,
		(fault: { status?: number }) => fault.status
	);

describe('photos and sounds of a visit', () => {
	it('come back byte for byte, to their workshop alone', async () => {
		const [me, other] = [await newWorkshop(), await newWorkshop()];
		const visit = await beginVisit(me, await newInstrument(me.workshopId, details('Seen')));
		const id = uuid();
		// As large as one may be.
		const bytes = photo(MOST_BYTES - 4);
		await keepAttachment(me.workshopId, visit, id, bytes);
		const kept = await attachmentOf(me.workshopId, visit, id);
		expect(kept.type).toBe('image/jpeg');
		expect(Buffer.compare(Buffer.from(kept.bytes), bytes)).toBe(0);
		expect(await status(attachmentOf(other.workshopId, visit, id))).toBe(404);
		expect(await status(keepAttachment(other.workshopId, visit, uuid(), bytes))).toBe(404);
		expect(await status(attachmentOf(me.workshopId, visit, 'x'))).toBe(404);
	});

	it('are kept once, however often and at once they are sent, and never written over', async () => {
		const me = await newWorkshop();
		const visit = await beginVisit(me, await newInstrument(me.workshopId, details('Sent twice')));
		const id = uuid();
		const send = (bytes: Buffer) => status(keepAttachment(me.workshopId, visit, id, bytes));
		expect(await Promise.all([send(photo(9)), send(photo(9)), send(photo(9))])).toEqual([200, 200, 200]);
		expect(await send(photo(9))).toBe(200);
		expect(await send(photo(10))).toBe(409);
		expect((await attachmentOf(me.workshopId, visit, id)).bytes.length).toBe(13);
	});

	it('say nothing of where and by what they were taken', async () => {
		const segment = (marker: number, text: string) =>
			Buffer.concat([Buffer.from([0xff, marker, 0, text.length + 2]), Buffer.from(text)]);
		const [jfif, exif, comment, table] = [
			...[segment(0xe0, 'JFIF'), segment(0xe1, 'Exif GPS 53.1 N'), segment(0xfe, 'my phone'), segment(0xdb, 'table')]
		];
		const scan = Buffer.from([0xff, 0xda, 0, 2, 1, 2, 0xff, 0xd9]);
		const start = Buffer.from([0xff, 0xd8]);
		const me = await newWorkshop();
		const visit = await beginVisit(me, await newInstrument(me.workshopId, details('Where')));
		const id = uuid();
		const sent = Buffer.concat([start, jfif, exif, comment, table, scan]);
		for (let times = 0; times < 2; times++) await keepAttachment(me.workshopId, visit, id, sent);
		const kept = Buffer.from((await attachmentOf(me.workshopId, visit, id)).bytes);
		expect(kept.equals(Buffer.concat([start, jfif, table, scan]))).toBe(true);
		// Cut off, or lying about its lengths: as it is, and nothing is read beyond it.
		for (let length = 0; length < sent.length; length++)
			expect(withoutMetadata(sent.subarray(0, length)).length).toBeLessThanOrEqual(length);
	});

	it('are told by what they are, not by what they are called', async () => {
		const me = await newWorkshop();
		const visit = await beginVisit(me, await newInstrument(me.workshopId, details('Odd')));
		const send = (bytes: Buffer) => status(keepAttachment(me.workshopId, visit, uuid(), bytes));
		expect(await send(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>'))).toBe(400);
		expect(await send(Buffer.from('<!doctype html>'))).toBe(400);
		expect(await send(Buffer.alloc(0))).toBe(400);
		expect(await send(photo(MOST_BYTES))).toBe(413);
		expect(await send(Buffer.concat([Buffer.from('OggS'), Buffer.alloc(20)]))).toBe(200);
		expect(await send(Buffer.concat([Buffer.alloc(4), Buffer.from('ftypmp42')]))).toBe(200);
	});
});
