import { Center } from '@mantine/core';
import { createContext, useContext } from 'react';
import { Navigate, Outlet, useLocation } from 'react-router';
import type { Person } from '../../server/ground/roles';
import { useSession } from '../ground/session';
import { FaultNotice, Loading } from './Fallbacks';

const PersonContext = createContext<Person | null>(null);

/** The person signed in; only for screens below SignedIn. */
export function usePerson(): Person {
  const person = useContext(PersonContext);
  if (!person) throw new Error('usePerson outside of SignedIn');
  return person;
}

export function SignedIn() {
  const session = useSession();
  const location = useLocation();
  if (session.isPending) {
    return (
      <Center mih="60vh">
        <Loading />
      </Center>
    );
  }
  if (session.error) return <FaultNotice error={session.error} />;
  if (!session.data) return <Navigate to="/sign-in" state={{ from: location.pathname }} replace />;
  return (
    <PersonContext value={session.data}>
      <Outlet />
    </PersonContext>
  );
}
