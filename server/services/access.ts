import { createMiddleware } from 'hono/factory';
import { Fault } from '../ground/fault';
import type { Reached } from '../ground/reach';
import type { Person, Role } from '../ground/roles';

export interface Env {
  Variables: { person: Person | null; reached: Reached };
}
export interface SignedIn {
  Variables: { person: Person; reached: Reached };
}

/** Who may call a route: `anyone`, or people of the roles named. */
export type Allowed = readonly Role[] | 'anyone';

/** Carried by the middleware itself, so that a test can walk all routes and ask each who it lets in. */
export const ALLOWED = Symbol('allowed');

/** Opens a route to people of these roles. */
export function only(...roles: readonly Role[]) {
  const guard = createMiddleware<SignedIn>(async (c, next) => {
    const person: Person | null = c.get('person');
    if (!person) throw new Fault(401, 'signed-out', 'You are not signed in.', 'Sign in and try again.');
    if (!roles.includes(person.role)) {
      throw new Fault(
        403,
        'not-yours',
        `This is not for ${person.role === 'apprentice' ? 'an' : 'a'} ${person.role}.`,
        `Ask a ${roles.join(' or a ')} to do it.`,
      );
    }
    await next();
  });
  return Object.assign(guard, { [ALLOWED]: roles as Allowed });
}

export function anyone() {
  const guard = createMiddleware<Env>(async (_c, next) => next());
  return Object.assign(guard, { [ALLOWED]: 'anyone' as Allowed });
}

export { BENCH, EVERYONE, WRITERS } from '../ground/roles';
