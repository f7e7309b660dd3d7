/** What bookings are made of: who goes, where to, and to what. */
export interface DiaryGround {
	/** Whoever looks. */
	readonly me: string;
	readonly people: readonly { readonly id: string; readonly name: string }[];
	readonly places: readonly {
		readonly id: string;
		readonly name: string;
		readonly town: string;
		/** How one gets in. */
		readonly entry: string;
	}[];
	readonly instruments: readonly {
		readonly id: string;
		readonly name: string;
		readonly locationId: string | null;
		/** Minutes that a visit takes there. */
		readonly minutes: number;
	}[];
}
