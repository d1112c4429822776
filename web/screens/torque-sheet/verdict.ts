import { useTranslation } from 'react-i18next';
import { capital } from '#core/language/en/counted';
import { pluralName } from '#core/model/names';
import type { Component } from '#core/model/series';
import type { SheetGroup } from '#core/torque-sheet/sheet';
import { showNumber } from '../../ground/format';

/** "Dome nuts". */
export function groupName({ name, count }: Component): string {
  return capital(count > 1 ? pluralName(name) : name);
}

/** What is said of the figure of a group. */
export function useVerdict({ judged, group, thread }: SheetGroup): {
  readonly text: string;
  readonly isSound: boolean;
  readonly isWrong: boolean;
} {
  const { t } = useTranslation();
  if (!judged) return { text: t('torque.missing'), isSound: false, isWrong: false };
  const { verdict, share } = judged;
  const text = t(`torque.verdict.${verdict}`, {
    percent: share ? showNumber(share.usual * 100, 2) : '',
    what: [thread?.name, group.class].filter(Boolean).join(' '),
  });
  return { text, isSound: verdict === 'sound', isWrong: verdict !== 'sound' && verdict !== 'unknown' };
}
