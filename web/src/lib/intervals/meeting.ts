/** Which partials meet, the lower note's first: "5:4". */
export const meetingName = ({
	lowerPartial,
	upperPartial
}: {
	readonly lowerPartial: number;
	readonly upperPartial: number;
}): string => `${lowerPartial}:${upperPartial}`;
