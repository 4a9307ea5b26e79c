import type { Role } from '@wire-trail/core';

export type User = Readonly<{ id: number; name: string; signIn: string; role: Role }>;
