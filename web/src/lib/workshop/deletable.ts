/** What can be deleted, and for so long be brought back. */
export const DELETABLES = ['instrument', 'visit', 'user'] as const;
export type Deletable = (typeof DELETABLES)[number];

export const KEPT_DAYS = 30;
