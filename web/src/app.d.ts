import type { SignedIn } from '$lib/server/auth/session';

declare global {
	namespace App {
		interface Error {
			message: string;
			/** Shown under the message: what to do next. */
			advice?: string;
		}
		interface Locals {
			signedIn: SignedIn | undefined;
			look: 'day' | 'lamp';
		}
	}
}

export {};
