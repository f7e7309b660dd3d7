import type { z } from 'zod';

/** A form's fields, checked. @param lists fields that may come several times @returns undefined when they cannot be right */
export async function sentForm<T>(
	request: Request,
	schema: z.ZodType<T>,
	lists: readonly string[] = []
): Promise<T | undefined> {
	const sent = await request.formData().catch(() => undefined);
	if (!sent) return undefined;
	const fields = Object.fromEntries([...sent.keys()].map((key) => [key, sent.get(key)]));
	const all = Object.fromEntries(lists.map((key) => [key, sent.getAll(key)]));
	return schema.safeParse({ ...fields, ...all }).data;
}
