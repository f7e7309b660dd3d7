import { z } from 'zod';

const email = z.string().trim().min(1, 'Enter your e-mail address.').max(190).email('That is not an e-mail address.');

export const signInSchema = z.object({
	email,
	password: z.string().min(1, 'Enter your password.').max(200)
});

const newPassword = z.string().min(10, 'Use at least 10 characters.').max(200, 'Use at most 200 characters.');

export const passwordSchema = z.object({
	password: z.string().min(1, 'Enter the password that you have now.').max(200),
	next: newPassword
});

export const newPasswordSchema = z.object({ password: newPassword });

/** A session to end, as the page names it, or all others. */
export const endSchema = z.object({ session: z.string().max(16) });

/** Somebody who is new in a workshop. */
export const joinSchema = z.object({
	name: z.string().trim().min(1, 'Enter your name.').max(120, 'A name may have 120 characters.'),
	email,
	password: newPassword
});

export const welcomeSchema = joinSchema.extend({
	workshop: z.string().trim().min(1, 'Give your workshop a name.').max(120, 'A name may have 120 characters.')
});
