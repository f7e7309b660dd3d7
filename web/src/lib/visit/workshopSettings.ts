import { USUAL_SETTINGS, type Settings } from '$lib/settings/settings';
import type { InstrumentBook } from '$lib/device/books';

/** What the workshop decides, as this device holds it. */
export const settingsOf = ({ about }: { readonly about: Pick<InstrumentBook, 'settings'> }): Settings =>
	about.settings ?? USUAL_SETTINGS;
