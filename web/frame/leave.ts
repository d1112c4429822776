import i18next from 'i18next';
import { callAuth } from '../ground/api';
import { rememberPerson } from '../ground/device';
import { modals } from '../ground/overlays';
import { setPersonHere } from '../ground/person-here';
import { sync } from '../sync/engine';
import { forgetKey } from '../sync/keys';
import { countOf, whatWaits } from '../sync/waiting';

/** Signs a person out; where something is not sent yet, it is tried once more and then asked about. */
export async function signOut(personId: string, then: () => void): Promise<void> {
  if (countOf(await whatWaits()) > 0) await sync();
  const count = countOf(await whatWaits());
  const go = async () => {
    await callAuth('sign-out', {});
    await forgetKey(personId);
    await rememberPerson(null);
    setPersonHere(null);
    then();
  };
  if (count === 0) return go();
  modals.openConfirmModal({
    title: i18next.t('waiting.leaveTitle', { count }),
    children: i18next.t('waiting.leaveAsk'),
    labels: { confirm: i18next.t('waiting.leave'), cancel: i18next.t('app.cancel') },
    onConfirm: () => void go(),
  });
}
