import type { Hz } from '../units/quantity';
import { WIRE, type WireMaterial, type WireName } from './wire';

/** One string as it can be measured with a gauge and a rule; lengths in metres. */
export interface StringData {
	readonly material: WireName;
	/** Diameter of the wire, or of the core where the string is wound. */
	readonly core?: number;
	/** Speaking length. */
	readonly length?: number;
	/** Winding: outer diameter, and density of its metal (copper unless said). */
	readonly outer?: number;
	readonly windingDensity?: number;
	/** Tensile strength in Pa where the user knows better. */
	readonly strength?: number;
}

/** What follows from a string's data at a pitch; undefined where a figure is missing. */
export interface StringLoad {
	/** kg/m. */
	readonly massPerMetre: number | undefined;
	/** N. */
	readonly tension: number | undefined;
	/** Share of the breaking load of the core, 0 to 1 and above. */
	readonly breakingShare: number | undefined;
	readonly inharmonicity: number | undefined;
	readonly isNearBreaking: boolean;
}

const COPPER = 8940;
/** A round winding leaves gaps: it fills pi/4 of the tube that it lies in. */
const WINDING_FILL = Math.PI / 4;
/** One kilogram-force in N. */
export const KILOGRAM_FORCE = 9.80665;

/** Bounds of what strings can be, in metres: beyond them a length was given in another unit. */
const CORE_BOUNDS = { low: 0.0001, high: 0.003 } as const;
const LENGTH_BOUNDS = { low: 0.03, high: 2.6 } as const;

/** Stress of the slackest gut and of more than any wire bears, in Pa. */
const STRESS_BOUNDS = { low: 5e6, high: 4e9 } as const;

/**
 * What is wrong with a string's data, as a sentence; undefined when nothing is.
 * @param pitch where the string is to sound: a plain string's stress is rho (2 L F)^2 whatever its diameter,
 * which shows lengths in another unit
 */
export function stringProblem(data: StringData, pitch?: Hz): string | undefined {
	const { material, core, length, outer, strength } = data;
	const mm = (value: number) => `${Number((1000 * value).toPrecision(4))} mm`;
	if (core !== undefined && !(core >= CORE_BOUNDS.low && core <= CORE_BOUNDS.high))
		return `A wire of ${mm(core)} is none: diameters lie between 0.1 and 3 mm.`;
	if (length !== undefined && !(length >= LENGTH_BOUNDS.low && length <= LENGTH_BOUNDS.high))
		return `A speaking length of ${mm(length)} is none: lengths lie between 30 and 2600 mm. Was it given in another unit?`;
	if (outer !== undefined && core !== undefined && !(outer > core && outer < 0.012))
		return `A winding of ${mm(outer)} on a core of ${mm(core)} is none.`;
	if (strength !== undefined && !(strength > 1e7 && strength < 5e9))
		return 'A tensile strength lies between 10 and 5000 MPa.';
	if (pitch !== undefined && length !== undefined && outer === undefined) {
		const stress = WIRE[material].density * (2 * length * pitch) ** 2;
		if (!(stress >= STRESS_BOUNDS.low && stress <= STRESS_BOUNDS.high))
			return `${mm(length)} of ${WIRE[material].name} at ${pitch.toFixed(1)} Hz would be under ${(stress / 1e6).toPrecision(2)} MPa: no such string is. Was the length given in another unit?`;
	}
	return undefined;
}

/** Mass per metre: the core's, and the winding's where there is one. */
function massOf({ material, core, outer, windingDensity = COPPER }: StringData): number | undefined {
	if (core === undefined) return undefined;
	const wire = (WIRE[material].density * Math.PI * core ** 2) / 4;
	if (outer === undefined) return wire;
	return wire + WINDING_FILL * windingDensity * (Math.PI / 4) * (outer ** 2 - core ** 2);
}

/**
 * Tension, breaking share and inharmonicity of a string at a pitch: T = (2 L F)^2 mu, B = pi^3 E d^4 / (64 T L^2)
 * (Fletcher 1964) with d the core's diameter. Partial data give a partial answer.
 * @throws RangeError when a figure is no string's at any pitch (see stringProblem): a keyboard that is put to
 * another pitch may strain its strings beyond reason, and must show it rather than fail
 */
export function stringLoad(data: StringData, pitch: Hz): StringLoad {
	const problem = stringProblem(data);
	if (problem) throw new RangeError(`stringLoad: ${problem}`);
	const { core, length } = data;
	const { stiffness, strength: ofMaterial, warnAt }: WireMaterial = WIRE[data.material];
	const massPerMetre = massOf(data);
	const tension =
		massPerMetre === undefined || length === undefined ? undefined : (2 * length * pitch) ** 2 * massPerMetre;
	const strength = data.strength ?? (core === undefined ? undefined : ofMaterial?.(core));
	const breakingShare =
		tension === undefined || strength === undefined || core === undefined
			? undefined
			: tension / ((strength * Math.PI * core ** 2) / 4);
	return {
		massPerMetre,
		tension,
		breakingShare,
		inharmonicity:
			tension === undefined || core === undefined || length === undefined
				? undefined
				: (Math.PI ** 3 * stiffness * core ** 4) / (64 * tension * length ** 2),
		isNearBreaking: breakingShare !== undefined && breakingShare > warnAt
	};
}

/** Tension over tension for a rise of so many cents: 2^(2 c / 1200); 100 cents are 12.25 per cent. */
export function tensionRatio(rise: number): number {
	return 2 ** ((2 * rise) / 1200);
}
