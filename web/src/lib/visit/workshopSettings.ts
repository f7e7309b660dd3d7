import { USUAL_SETTINGS, type Settings } from '$lib/settings/settings';
import type { VisitGround } from './ground';

/** What the workshop decides, as this device holds it. */
export const settingsOf = ({ about }: Pick<VisitGround, 'about'>): Settings => about.settings ?? USUAL_SETTINGS;
