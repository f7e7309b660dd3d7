import { z } from 'zod';
import { DELETABLES } from '$lib/workshop/deletable';
import { ROLES } from '$lib/workshop/roles';

const place = { role: z.enum(ROLES), places: z.array(z.uuid()).max(2000) };

export const inviteSchema = z.object(place);
export const changeSchema = z.object({ ...place, user: z.uuid() });
export const userSchema = z.object({ user: z.uuid() });
export const linkSchema = z.object({ link: z.string().regex(/^[0-9a-f]{16}$/) });
export const deletedSchema = z.object({ kind: z.enum(DELETABLES), id: z.uuid() });
export const visitSchema = z.object({ visit: z.uuid() });
export const instrumentSchema = z.object({ instrument: z.uuid() });
