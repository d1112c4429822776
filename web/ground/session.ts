import { useQuery } from '@tanstack/react-query';
import type { Person } from '../../server/ground/roles';
import { answer, api, isUnreachable } from './api';
import { cachedPerson, rememberPerson } from './device';
import { setPersonHere } from './person-here';

export const ME = ['me'];

/** Who is signed in; from memory of this device when the server cannot be reached. */
export function useSession() {
  return useQuery({
    queryKey: ME,
    queryFn: async (): Promise<Person | null> => {
      try {
        const { person } = await answer(api.me.$get());
        await rememberPerson(person);
        setPersonHere(person);
        return person;
      } catch (error) {
        if (!isUnreachable(error)) throw error;
        const remembered = await cachedPerson();
        setPersonHere(remembered);
        return remembered;
      }
    },
    staleTime: 60_000,
  });
}

export function mayWrite(person: Person): boolean {
  return person.role === 'lead' || person.role === 'trainer';
}

export function mayWorkAtBench(person: Person): boolean {
  return person.role !== 'apprentice';
}
