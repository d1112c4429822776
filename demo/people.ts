import type { Role } from '../server/ground/roles';

/** The people of Sallow Bridge Pump Works; all invented. */
const PASSWORD = 'sallow-bridge';

export const PEOPLE = [
  { username: 'ines', name: 'Ines Harrowgate', role: 'trainer', password: PASSWORD },
  { username: 'mara', name: 'Mara Oduya', role: 'technician', password: PASSWORD },
  { username: 'tobias', name: 'Tobias Quell', role: 'technician', password: PASSWORD },
  { username: 'jun', name: 'Jun Vestergaard', role: 'lead', password: PASSWORD },
  { username: 'pia', name: 'Pia Lindqvist', role: 'apprentice', password: PASSWORD },
] as const satisfies readonly { username: string; name: string; role: Role; password: string }[];

export type DemoName = (typeof PEOPLE)[number]['username'];
