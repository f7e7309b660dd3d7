import { PAPERS } from '$lib/record/papers';

const FILES: ReadonlySet<string> = new Set(Object.values(PAPERS).map(({ file }) => file));
export const match = (param: string) => FILES.has(param);
