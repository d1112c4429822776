export const ROLES = ['lead', 'trainer', 'technician', 'apprentice'] as const;
export type Role = (typeof ROLES)[number];

/** Who is signed in. */
export interface Person {
  readonly id: string;
  readonly username: string;
  readonly name: string;
  readonly role: Role;
}
