import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { stateAfter } from '#core/bench/state';
import { isToDo, questionKeys } from '#core/job/to-do';
import { capital } from '#core/language/en/counted';
import type { Workbook } from '#core/model/procedure';
import { SETTINGS, type Setting } from '#core/model/procedure-words';
import { methodIn, stepIn } from '#core/model/setting';
import { Cloth } from '../../drawings/Cloth';
import { FaultNotice, Loading } from '../../frame/Fallbacks';
import { Crumbs, TopBar } from '../../frame/Shell';
import { answer, api } from '../../ground/api';
import { SafetyList } from '../../parts/SafetyList';
import { timelineOn } from '../../state/ways';
import { save, workbookOf } from '../../sync/autosave';
import { StepText } from '../bench/StepText';
import styles from './Walk.module.css';

/** A procedure walked through as the technician will see it, with the cloth beside it. */
export function WalkScreen() {
  const { id = '' } = useParams();
  const query = useQuery({
    queryKey: ['walk', id],
    queryFn: async () => {
      // Edits made a moment ago may still be on their way.
      await save();
      return workbookOf(await answer(api.procedures[':id'].$get({ param: { id } })));
    },
    gcTime: 0,
  });
  if (query.error) return <FaultNotice error={query.error} />;
  if (!query.data) return <Loading />;
  return <Walk workbook={query.data} />;
}

function Walk({ workbook }: { workbook: Workbook }) {
  const { t } = useTranslation();
  const { series, procedure } = workbook;
  const { steps } = procedure;
  // Before the first step stands what to know of all of them.
  const [at, setAt] = useState(-1);
  const [setting, setSetting] = useState<Setting>('workshop');
  const [answers, setAnswers] = useState<ReadonlyMap<string, string>>(new Map());
  const step = steps[at];
  // Walked through, a question of many places is answered once for all of them.
  const keys = step?.decision ? questionKeys(step, series) : [];
  const unanswered = keys.some((key) => !answers.has(key));
  const next = steps.findIndex((other, i) => i > at && isToDo(other, answers, workbook));
  const before = steps.findLastIndex((other, i) => i < at && isToDo(other, answers, workbook));
  const go = (to: number) => setAt(Math.max(-1, to));
  const forward = () => !unanswered && go(next < 0 ? steps.length : next);
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.target instanceof HTMLElement && event.target.closest('input, [role="dialog"]')) return;
    if (event.key === 'ArrowRight' || event.key === 'PageDown') forward();
    else if (event.key === 'ArrowLeft' || event.key === 'PageUp') go(before);
    else if (event.key === 'Home') go(-1);
    else return;
    event.preventDefault();
  });
  useEffect(() => {
    const listener = (event: KeyboardEvent) => onKey(event);
    window.addEventListener('keydown', listener);
    return () => window.removeEventListener('keydown', listener);
  }, []);
  const timeline = timelineOn(workbook, answers);
  const { poses } = stateAfter(timeline, Math.max(0, at));
  const hasField = steps.some((other) => other.methods?.some((method) => method.setting));
  return (
    <div className={styles.screen}>
      <TopBar
        path={
          <Crumbs
            to={[
              { label: `${series.name} ${series.code}`, href: `/series/${series.id}` },
              { label: procedure.title, href: `/procedures/${procedure.id}` },
            ]}
            here={t('walk.title')}
          />
        }
        actions={
          <Button component={Link} to={`/procedures/${procedure.id}`} variant="default">
            {t('release.back')}
          </Button>
        }
      />
      <main className={styles.main}>
        {at < 0 && (
          <section className={styles.end}>
            <h1>{t('safety.title')}</h1>
            <SafetyList workbook={workbook} setting={setting} />
          </section>
        )}
        {step && (
          <StepText
            step={stepIn(step, setting)}
            index={at}
            workbook={workbook}
            poses={poses}
            method={methodIn(step, setting)?.name}
          />
        )}
        {at >= steps.length && (
          <section className={styles.end}>
            <h1>{t('walk.end')}</h1>
            <p>{t('walk.endBody')}</p>
          </section>
        )}
        <aside className={styles.cloth}>
          {step?.decision && (
            <div className={styles.question}>
              <h2>{step.decision.question}</h2>
              {step.decision.answers.map(({ id, text }) => (
                <button
                  key={id}
                  type="button"
                  aria-pressed={keys.every((key) => answers.get(key) === id)}
                  className={keys.every((key) => answers.get(key) === id) ? styles.chosen : ''}
                  onClick={() => setAnswers(new Map([...answers, ...keys.map((key) => [key, id] as const)]))}
                >
                  {text}
                </button>
              ))}
            </div>
          )}
          {hasField && (
            <div className={styles.settings}>
              {SETTINGS.map((value) => (
                <button
                  key={value}
                  type="button"
                  aria-pressed={setting === value}
                  className={setting === value ? styles.chosen : ''}
                  onClick={() => setSetting(value)}
                >
                  {t(`setting.${value}`)}
                </button>
              ))}
            </div>
          )}
          <h2>{at < 0 ? t('cloth.before') : step ? t('cloth.after', { number: at + 1 }) : t('walk.endCloth')}</h2>
          <Cloth timeline={timeline} after={Math.min(at + 1, steps.length)} />
        </aside>
      </main>
      <footer className={styles.foot}>
        <button type="button" disabled={at < 0} onClick={() => go(before)}>
          {t('bench.back')}
        </button>
        <progress
          max={steps.length}
          value={Math.max(0, at)}
          aria-label={t('bench.progress', { done: Math.max(0, at), steps: steps.length })}
        />
        <button type="button" className={styles.next} disabled={at >= steps.length || unanswered} onClick={forward}>
          {unanswered ? t('bench.needed', { what: capital(t('bench.needAnswer')) }) : t('walk.next')}
        </button>
      </footer>
    </div>
  );
}
