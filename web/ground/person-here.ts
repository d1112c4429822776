import type { Person } from '../../server/ground/roles';

let here: Person | null = null;

/** Who is signed in as far as this page knows: in whose name what waits is sent. */
export function personHere(): Person | null {
  return here;
}

export function setPersonHere(person: Person | null): void {
  here = person;
}
