import { Modal, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { componentById, positionSetById } from '#core/model/lookup';
import { Silhouette } from '../../../drawings/Silhouette';
import { PartFields } from '../../../parts/PartFields';
import { PartStructure } from '../../../parts/PartStructure';
import { Tag } from '../../../parts/Tag';
import { useAuthor } from '../../../state/author-store';
import { computed } from '../../../state/timeline';
import styles from './Step.module.css';

/** What the series knows about a part, in a few words; opens to change it. */
export function PartChip({ componentId }: { componentId: string }) {
  const { t } = useTranslation();
  const workbook = useAuthor((state) => state.workbook);
  const [open, setOpen] = useState(false);
  const { series } = workbook;
  const component = componentById(series, componentId);
  if (!component) return null;
  const set = positionSetById(series, component.positionSetId);
  const inAll = component.several ? t('part.countOpen') : t('part.inAll', { count: component.count });
  const facts = [
    set ? t('part.perPosition', { count: component.count, name: set.name }) : inAll,
    component.matched && t('part.matchedShort'),
    component.renewal !== 'judge' && t(`renewal.${component.renewal}`),
  ].filter(Boolean);
  const change = (fields: Partial<typeof component>) => useAuthor.getState().changeComponent(component.id, fields);
  return (
    <>
      <UnstyledButton aria-label={t('part.about', { name: component.name })} onClick={() => setOpen(true)}>
        <Tag>
          <Silhouette part={component} size={18} />
          {component.name}
          <span className="quiet">{facts.join(', ')}</span>
        </Tag>
      </UnstyledButton>
      <Modal opened={open} onClose={() => setOpen(false)} size={820} title={t('part.about', { name: component.name })}>
        {open && (
          <div className={styles.partDialog}>
            <PartFields component={component} series={series} onChange={change} />
            <PartStructure
              component={component}
              series={series}
              timeline={computed(workbook).timeline}
              onChange={change}
            />
          </div>
        )}
      </Modal>
    </>
  );
}
