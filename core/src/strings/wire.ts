/** What strings are made of. */
export interface WireMaterial {
	readonly name: string;
	/** kg/m3. */
	readonly density: number;
	/** Young's modulus, Pa. */
	readonly stiffness: number;
	/** Tensile strength in Pa at a diameter in m; undefined where no sourced figure holds: then the user's own is needed. */
	readonly strength: ((diameter: number) => number) | undefined;
	/** Share of the breaking load above which a warning is due. */
	readonly warnAt: number;
	readonly source: string;
}

/**
 * Strength of modern music wire only, by its fitted minimum: 2211 MPa (d / 1 mm)^-0.145 (ASTM A228, in Shigley's tables).
 * Iron, brass, bronze, gut and nylon differ from maker to maker and age to age: their strength is asked for.
 */
export const WIRE = {
	steel: {
		name: 'music wire',
		density: 7850,
		stiffness: 2.02e11,
		strength: (diameter: number) => 2211e6 * (diameter * 1000) ** -0.145,
		warnAt: 0.75,
		source: 'ASTM A228, as fitted in Shigley, Mechanical Engineering Design'
	},
	iron: {
		name: 'iron',
		density: 7800,
		stiffness: 1.9e11,
		strength: undefined,
		warnAt: 0.85,
		source: 'elastic constants of wrought iron'
	},
	brass: {
		name: 'brass',
		density: 8550,
		stiffness: 1.05e11,
		strength: undefined,
		warnAt: 0.85,
		source: 'elastic constants of drawn brass'
	},
	bronze: {
		name: 'bronze',
		density: 8800,
		stiffness: 1.1e11,
		strength: undefined,
		warnAt: 0.85,
		source: 'elastic constants of phosphor bronze'
	},
	gut: {
		name: 'gut',
		density: 1300,
		stiffness: 6e9,
		strength: undefined,
		warnAt: 0.85,
		source: 'usual figures for twisted gut'
	},
	nylon: {
		name: 'nylon',
		density: 1070,
		stiffness: 3e9,
		strength: undefined,
		warnAt: 0.75,
		source: 'usual figures for monofilament'
	}
} as const satisfies Record<string, WireMaterial>;
export type WireName = keyof typeof WIRE;
