import i18next from 'i18next';
import { VERB_SAYS } from '#core/language/en/verbs';
import type { LineFault } from '#core/line/parsed-step';
import type { Series } from '#core/model/series';
import { sayQuantityFault } from './quantity-fault';

/** What is wrong with a line, and what to type instead. */
export function sayFault(fault: LineFault, { positionSets }: Series): string {
  const { t } = i18next;
  switch (fault.kind) {
    case 'no-verb':
      return fault.word ? t('line.fault.noVerb', { word: fault.word }) : t('line.fault.nothing');
    case 'no-part':
      return t('line.fault.noPart', { verb: VERB_SAYS[fault.verb] });
    case 'unknown-position':
      return positionSets.length === 0
        ? t('line.fault.noPositions')
        : t('line.fault.position', {
            text: fault.text,
            known: positionSets.flatMap((set) => [`each ${set.name}`, ...set.positions.map((p) => p.name)]).join(', '),
          });
    case 'bad-torque':
      return t('line.fault.torque', { text: fault.text, reason: sayQuantityFault(fault.reason, 'torque') });
    case 'bad-faces':
      return t('line.fault.faces', { text: fault.text });
    case 'bad-minutes':
      return t('line.fault.minutes', { text: fault.text });
  }
}
