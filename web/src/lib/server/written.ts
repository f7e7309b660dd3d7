import { AsyncLocalStorage } from 'node:async_hooks';
import { USUAL_WRITING, writeAs, type Writing } from '$lib/ui/writing';

const readers = new AsyncLocalStorage<Writing>();
writeAs(() => readers.getStore() ?? USUAL_WRITING);

/** Does what is asked of the server with figures, notes and days written as this reader writes them. */
export const writtenFor = <Answer>(writing: Writing, answer: () => Answer): Answer => readers.run(writing, answer);
