import { List, Popover, UnstyledButton } from '@mantine/core';
import { IconAlertTriangleFilled } from '@tabler/icons-react';
import { useTranslation } from 'react-i18next';
import { stateAfter, unitsIn } from '#core/cloth/replay';
import type { Unit } from '#core/cloth/units';
import type { Finding } from '#core/findings/finding';
import { componentPhrase } from '#core/narration/sentence';
import { componentById, type Series } from '#core/pump/series';
import { Cloth } from '../../drawings/Cloth';
import { Tag } from '../../parts/Tag';
import { useAuthor } from '../../state/author-store';
import { computed } from '../../state/timeline';
import author from './Author.module.css';
import styles from './ClothPanel.module.css';

/** The cloth after the step in hand, and what would go wrong. */
export function ClothPanel({ writes }: { writes: boolean }) {
  const { t } = useTranslation();
  const workbook = useAuthor((state) => state.workbook);
  const selected = useAuthor((state) => state.selected);
  const { timeline, findings } = computed(workbook);
  const { procedure, series } = workbook;
  const index = procedure.steps.findIndex((step) => step.id === selected);
  const count = index < 0 ? procedure.steps.length : index + 1;
  const state = stateAfter(timeline, count);
  const out = unitsIn(timeline, state, 'cloth');
  const stops = findings.filter((finding) => finding.severity === 'stop').length;
  return (
    <>
      <div className={author.head}>
        <h2>{count > 0 ? t('cloth.after', { number: count }) : t('cloth.title')}</h2>
        <span className={author.small}>{t('cloth.out', { count: out.length })}</span>
      </div>
      <Cloth timeline={timeline} after={count} onChoose={(stepId) => useAuthor.getState().select(stepId)} />
      <div className={styles.trays}>
        <Tray label={t('cloth.bin')} series={series} units={unitsIn(timeline, state, 'bin')} />
        <Tray label={t('cloth.tray')} series={series} units={unitsIn(timeline, state, 'tray')} />
      </div>
      <div className={author.head}>
        <h2>{t('findings.title')}</h2>
        {stops > 0 && <span className={author.small}>{t('findings.stops', { count: stops })}</span>}
      </div>
      {findings.length === 0 && <p className={author.small}>{procedure.steps.length > 0 ? t('findings.none') : ''}</p>}
      {findings.map((finding) => (
        <FindingRow
          key={`${finding.id}-${finding.stepId}-${finding.componentIds.join()}`}
          finding={finding}
          writes={writes}
        />
      ))}
    </>
  );
}

function FindingRow({ finding, writes }: { finding: Finding; writes: boolean }) {
  const { t } = useTranslation();
  const { severity, sentence, reason, stepId, fix } = finding;
  return (
    <div className={styles.finding}>
      <IconAlertTriangleFilled size={18} className={styles[severity]} aria-label={t(`findings.${severity}`)} />
      <span title={reason}>{sentence}</span>
      <span className={styles.actions}>
        {fix && writes && (
          <button type="button" className={styles.go} onClick={() => useAuthor.getState().applyFix(fix)}>
            {fix.label}
          </button>
        )}
        {stepId && (
          <button type="button" className={styles.go} onClick={() => useAuthor.getState().select(stepId)}>
            {t('findings.goTo')}
          </button>
        )}
      </span>
    </div>
  );
}

function Tray({ label, series, units }: { label: string; series: Series; units: readonly Unit[] }) {
  const { t } = useTranslation();
  const counts = new Map<string, number>();
  for (const unit of units) counts.set(unit.componentId, (counts.get(unit.componentId) ?? 0) + 1);
  return (
    <Popover position="top" withArrow>
      <Popover.Target>
        <UnstyledButton>
          <Tag>
            {label} <b className="number">{units.length}</b>
          </Tag>
        </UnstyledButton>
      </Popover.Target>
      <Popover.Dropdown>
        {units.length === 0 && t('cloth.nothing')}
        <List size="sm">
          {[...counts].map(([id, count]) => {
            const component = componentById(series, id);
            return (
              <List.Item key={id}>{component && `${count} × ${componentPhrase(component, count, false)}`}</List.Item>
            );
          })}
        </List>
      </Popover.Dropdown>
    </Popover>
  );
}
