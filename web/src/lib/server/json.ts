import { error } from '@sveltejs/kit';
import type { z } from 'zod';

/** The request's JSON, checked. Answers 400 with the first thing that is wrong, by name. */
export async function readJson<T>(request: Request, schema: z.ZodType<T>): Promise<T> {
	let body: unknown;
	try {
		body = await request.json();
	} catch {
		error(400, { message: 'What was sent is not readable.' });
	}
	const parsed = schema.safeParse(body);
	if (parsed.success) return parsed.data;
	const [issue] = parsed.error.issues;
	error(400, { message: issue.path.length ? `${issue.path.join('.')}: ${issue.message}` : issue.message });
}
