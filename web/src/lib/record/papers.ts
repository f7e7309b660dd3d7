/** What is made of a visit for its owner, its instrument and the diary. */
export const PAPERS = {
	report: { name: 'Report for the owner', type: 'application/pdf', file: 'report.pdf' },
	card: { name: 'Card for the instrument', type: 'application/pdf', file: 'card.pdf' },
	next: { name: 'Next visit, for a calendar', type: 'text/calendar; charset=utf-8', file: 'next.ics' },
	tuning: { name: 'As it was left, for a keyboard (MIDI tuning)', type: 'audio/midi', file: 'tuning.mid' },
	bulk: { name: 'The same as a bulk dump', type: 'application/octet-stream', file: 'tuning.syx' }
} as const;
export type Paper = keyof typeof PAPERS;

export const paperHref = (visitId: string, paper: Paper) => `/api/visits/${visitId}/papers/${PAPERS[paper].file}`;
