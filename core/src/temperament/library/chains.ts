import { PURE, syntonic, type Tempering } from '../comma';

/** Eleven fifths alike from E♭ to G♯, the wolf between them. */
export const meantone = (num: number, den: number) => chainWithWolf(8, syntonic(num, den));

export function chainWithWolf(wolf: number, fifth = PURE): readonly (Tempering | 'wolf')[] {
	return Array.from({ length: 12 }, (_, step) => (step === wolf ? 'wolf' : fifth));
}
