export const ROLES = ['lead', 'trainer', 'technician', 'apprentice'] as const;
export type Role = (typeof ROLES)[number];

export const EVERYONE: readonly Role[] = [...ROLES];
/** Who writes instructions. */
export const WRITERS: readonly Role[] = ['lead', 'trainer'];
/** Who carries them out. */
export const BENCH: readonly Role[] = ['lead', 'trainer', 'technician'];

/** Who is signed in. */
export interface Person {
  readonly id: string;
  readonly username: string;
  readonly name: string;
  readonly role: Role;
}
