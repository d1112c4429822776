import { answer, api } from '../ground/api';
import { setPersonHere } from '../ground/person-here';
import { leftLanes } from '../sync/documents';
import { sendAll } from '../sync/engine';
import { entriesLane } from '../sync/entries';

/**
 * Sends once what waits on this device, in the name of who is signed in. Documents wait for a page that has the app
 * open, where there is one. Throws when not all could go, so that the browser tries again later.
 */
export async function sendInBackground(aPageIsOpen: boolean): Promise<void> {
  const whoIsHere = {
    name: 'who is signed in',
    send: async () => setPersonHere((await answer(api.me.$get())).person),
  };
  const connection = await sendAll([whoIsHere, entriesLane, ...(aPageIsOpen ? [] : leftLanes)]);
  if (connection !== 'ok') throw new Error(`What waits could not be sent: ${connection}.`);
}
