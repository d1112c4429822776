import { Center } from '@mantine/core';
import { createContext, useContext, useEffect } from 'react';
import { Navigate, Outlet, useLocation } from 'react-router';
import type { Person } from '../../server/ground/roles';
import { afterFirstScreen } from '../ground/after-first-screen';
import { mayWorkAtBench, useSession } from '../ground/session';
import { startSync, sync } from '../sync/engine';
import { sendEntriesWhileOpen } from '../sync/entries';
import { ensureKey } from '../sync/keys';
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
  useSending(session.data ?? null);
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

/** Wherever the app is open and somebody is signed in, what waits on this device is sent. */
function useSending(person: Person | null): void {
  const personId = person?.id;
  const signs = person !== null && mayWorkAtBench(person);
  useEffect(() => {
    if (!personId) return;
    // Without a network there is no new key; what is entered meanwhile goes while its maker is signed in.
    if (signs) void ensureKey(personId).catch(() => undefined);
    const stops = [sendEntriesWhileOpen(), startSync()];
    let isGone = false;
    // Drafts that were left unsent are a trainer's; the bench does not wait for what sends them.
    void afterFirstScreen
      .then(() => import('../sync/documents'))
      .then(({ sendDocumentsWhileOpen }) => {
        if (isGone) return;
        stops.push(sendDocumentsWhileOpen());
        void sync();
      })
      .catch(() => undefined);
    return () => {
      isGone = true;
      for (const stop of stops) stop();
    };
  }, [personId, signs]);
}
