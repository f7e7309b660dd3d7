/** How many rows of a workshop each part of the record has, and how many bytes its photos and sounds. */
export interface Holdings {
	readonly instruments: number;
	readonly visits: number;
	readonly readings: number;
	readonly acts: number;
	readonly attachments: number;
	readonly attachmentBytes: number;
	readonly temperaments: number;
	readonly people: number;
	readonly changes: number;
}
