import { readTorqueText, torqueWithMore } from '../language/en/grammar/names/torque-text';
import type { SignalWord } from '../model/procedure-words';
import type { Series } from '../model/series';
import { readQuantity } from '../quantity/quantity';
import { readDirection } from '../reading/en/direction-words';
import { kindFromName } from '../reading/en/kind-words';
import { readApplied, readPositions, readTool } from './behind-signs';
import type { LineFault, OpenStep } from './parsed-step';
import type { Segment } from './segments';
import { tighteningSaid } from './tightening-said';

/** Reads what stands behind a sign into its step. */
export function readSign({ sign, text }: Segment, step: OpenStep, series: Series, faults: LineFault[]): void {
  const words = text.trim();
  // A photo by itself shows how the parts sit.
  if (words === '' && sign !== '?') return;
  switch (sign) {
    case '/':
      // Who helps is no tool.
      if (/\b(?:people|persons?|men|helper|hands?)$/i.test(words)) addText(step, 'detail', `with ${words}`);
      else step.tools.push(readTool(words, series));
      break;
    case '@': {
      const [where = '', more] = words.split(/\s+(?=(?:for|with|until)\s)/i);
      const whole = readPositions(words, series);
      const found = whole ?? readPositions(where, series);
      if (!found) {
        faults.push({ kind: 'unknown-position', text: words });
        break;
      }
      // "@each bore with a new O-ring": what is put in with it is said before the sign.
      if (!whole && more && /^with\b/i.test(more) && kindFromName(more) !== 'other') {
        faults.push({ kind: 'unknown-position', text: more });
        break;
      }
      if (!whole && more) addText(step, 'detail', more);
      step.positionSetId ??= found.positionSetId;
      step.positionIds.push(...found.positionIds);
      break;
    }
    case '+': {
      step.applied.push(readApplied(words, series));
      break;
    }
    case '>': {
      const [, end, toward] =
        /^(.+?)\s+(?:facing\s+)?(away\s+from\s+.+)$/i.exec(words) ??
        /^(.+?)\s+(?:to|toward|towards|facing)\s+(.+)$/i.exec(words) ??
        /^(.+?)\s+((?:up|down|out|in)(?:wards?)?)$/i.exec(words) ??
        [];
      if (end && toward) step.faces = { end, toward: readDirection(toward, series) };
      else faults.push({ kind: 'bad-faces', text: words });
      break;
    }
    case '!': {
      const marks = /^!*/.exec(words)?.[0].length ?? 1;
      const body = words.slice(marks).trim();
      const named = /^(notice|caution|warning|danger)\b[:,]?\s*/i.exec(body);
      const signal =
        (named?.[1]?.toUpperCase() as SignalWord | undefined) ??
        (marks >= 3 ? 'DANGER' : marks === 2 ? 'WARNING' : 'CAUTION');
      const told = body.slice(named?.[0].length ?? 0).trim();
      if (told) step.cautions.push({ signal, text: told });
      break;
    }
    case '=': {
      const more = torqueWithMore(words);
      const isMore = more && Object.keys(tighteningSaid(more.more)).length > 0;
      const said = isMore ? more.figure : readTorqueText(words);
      if (isMore) addText(step, 'detail', more.more.replace(/^[,;]\s*/, ''));
      if (said) {
        const { value, unit, tolerancePercent, also } = said;
        step.torque = {
          figure: { value, unit },
          ...(tolerancePercent !== undefined && { tolerancePercent }),
          ...(also && { also }),
        };
        break;
      }
      const reading = readQuantity(words, 'torque');
      if (reading.ok) step.torque = { figure: reading.quantity };
      else faults.push({ kind: 'bad-torque', text: words, reason: reading.fault });
      break;
    }
    case '~': {
      const value = Number(words.replace(/\s*(min|minutes?)\.?$/i, '').replace(',', '.'));
      if (Number.isFinite(value) && value >= 0) step.minutes = value;
      else faults.push({ kind: 'bad-minutes', text: words });
      break;
    }
    case '?':
      step.photo = words;
      break;
    case '*':
      addText(step, 'detail', words);
      break;
    case '^':
      addText(step, 'why', words);
      break;
  }
}

function addText(step: OpenStep, field: 'detail' | 'why', words: string): void {
  step[field] = [step[field], words].filter(Boolean).join(', ');
}
