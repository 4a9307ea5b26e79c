import { z } from 'zod';

/** Roles of the school, each allowed what those before it are. */
export const roles = ['technician', 'trainer', 'reviewer', 'admin'] as const;
export const Role = z.enum(roles);
export type Role = z.infer<typeof Role>;

/** Whether a role may do what needs at least another. */
export function roleAtLeast(role: Role, least: Role): boolean {
  return roles.indexOf(role) >= roles.indexOf(least);
}
