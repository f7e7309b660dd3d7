/** What came of something that may fail as one must expect, with what to do about it as a sentence. */
export type Result<T> = { readonly value: T } | { readonly problem: string };
