/** Something that was looked for. */
export interface Found {
	readonly kind: 'instrument' | 'place' | 'contact' | 'booking' | 'visit' | 'temperament' | 'ensemble';
	/** What its address names it by. */
	readonly id: string;
	readonly name: string;
	/** What stands beside it. */
	readonly about: string;
}

/** What each kind is called, and where it leads. */
export const KINDS: Readonly<Record<Found['kind'], { readonly title: string; readonly href: (id: string) => string }>> =
	{
		instrument: { title: 'Instruments', href: (id) => `/instruments/${id}` },
		place: { title: 'Places', href: (id) => `/round/places/${id}` },
		contact: { title: 'People', href: () => '/round/places' },
		booking: { title: 'Diary', href: (day) => `/round/diary?on=${day}` },
		visit: { title: 'Written in visits', href: (id) => `/visits/${id}/close` },
		temperament: { title: 'Temperaments', href: (slug) => `/temperaments/${slug}` },
		ensemble: { title: 'Ensembles', href: (id) => `/ensembles/${id}` }
	};
