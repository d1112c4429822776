import { useTranslation } from 'react-i18next';
import { sayTool } from '#core/language/en/sentence';
import { toolLabel } from '#core/model/lookup';
import { SETTINGS } from '#core/model/procedure-words';
import { outOfCalibration, toolList } from '#core/supplies/tool-list';
import { showDay, today } from '../../../ground/format';
import { SafetyList } from '../../../parts/SafetyList';
import type { BenchJob } from '../../../sync/bench-job';
import buttons from '../Bench.module.css';
import styles from './SafetyStart.module.css';

interface SafetyStartProps {
  readonly bench: BenchJob;
  readonly inHand: boolean;
  readonly onBegin: () => void;
}

/** Read before the first step: what can hurt, what to lay out, and where the work is done. */
export function SafetyStart({ bench, inHand, onBegin }: SafetyStartProps) {
  const { t } = useTranslation();
  const { workbook } = bench.job.release;
  const tools = toolList(workbook);
  const hasField = workbook.procedure.steps.some((step) => step.methods?.some((method) => method.setting));
  return (
    <>
      <main className={styles.start}>
        <section>
          <h1>{t('safety.title')}</h1>
          <SafetyList workbook={workbook} setting={bench.state.setting} />
        </section>
        <section>
          {hasField && (
            <>
              <h2>{t('setting.ask')}</h2>
              <div className={styles.settings}>
                {SETTINGS.map((setting) => (
                  <button
                    key={setting}
                    type="button"
                    className={`${buttons.medium} ${bench.state.setting === setting ? styles.chosen : ''}`}
                    aria-pressed={bench.state.setting === setting}
                    disabled={!inHand}
                    onClick={() => bench.enter({ kind: 'setting-chosen', setting })}
                  >
                    {t(`setting.${setting}`)}
                  </button>
                ))}
              </div>
            </>
          )}
          <h2>{t('supplies.tools')}</h2>
          <ul className={styles.layOut}>
            {tools.map(({ tool, pieces, substitutes }) => (
              <li key={tool.id}>
                {sayTool(tool, pieces)}
                {tool.specialNumber && <span className="number quiet">{` ${tool.specialNumber}`}</span>}
                {substitutes.length > 0 && (
                  <span className="quiet">{` ${t('supplies.or', { tools: substitutes.map(toolLabel).join(', ') })}`}</span>
                )}
                {outOfCalibration(tool, today()).map(({ number, calibratedUntil = '' }) => (
                  <p key={number} className={styles.overdue}>
                    {t('supplies.overdue', { number, day: showDay(calibratedUntil) })}
                  </p>
                ))}
              </li>
            ))}
          </ul>
        </section>
      </main>
      <footer className={styles.startFoot}>
        <p>{t('safety.confirm')}</p>
        <button type="button" className={`${buttons.big} ${buttons.go}`} onClick={onBegin}>
          {t('safety.begin')}
        </button>
      </footer>
    </>
  );
}
