import type { Owner } from '$lib/device/store';
import type { SignedIn } from '$lib/server/auth/session';

declare global {
	namespace App {
		interface Error {
			message: string;
			/** Shown under the message: what to do next. */
			advice?: string;
			/** The server did not answer: what the device holds is shown. */
			away?: boolean;
		}
		interface PageData {
			signedIn?: Owner;
			look?: 'day' | 'lamp';
			former?: string;
		}
		interface Locals {
			signedIn: SignedIn | undefined;
			look: 'day' | 'lamp';
			/** The database did not answer while the page was made, or had too much to do. */
			unanswered?: 'away' | 'busy';
		}
	}
}

export {};
