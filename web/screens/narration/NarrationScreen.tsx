import { Button, Group, Menu, Select } from '@mantine/core';
import { IconArrowBackUp, IconArrowForwardUp, IconFilePlus, IconTable } from '@tabler/icons-react';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import type { Narration } from '#core/model/narration';
import { Crumbs, TopBar } from '../../frame/Shell';
import { usePerson } from '../../frame/SignedIn';
import { mayWrite } from '../../ground/session';
import { PartsDialog } from '../../parts/PartsDialog';
import { Tag } from '../../parts/Tag';
import { useAuthor, useHistory } from '../../state/author-store';
import { StaleDialog } from '../author/dialogs/StaleDialog';
import { SaveStateNote } from '../author/SaveStateNote';
import { AddSource } from './AddSource';
import { Desk } from './Desk';
import styles from './Narration.module.css';

const NONE: readonly Narration[] = [];

/** The narration desk: what was written or said, and the steps it becomes. */
export function NarrationScreen() {
  const { t } = useTranslation();
  const writes = mayWrite(usePerson());
  const { series, procedure } = useAuthor((state) => state.workbook);
  const narrations = procedure.narrations ?? NONE;
  const [params, setParams] = useSearchParams();
  const [adding, setAdding] = useState(false);
  const [parts, setParts] = useState(false);
  const history = useHistory();
  const chosen = narrations.find(({ id }) => id === params.get('source')) ?? narrations.at(-1);
  const choose = (id: string) => {
    setAdding(false);
    setParams({ source: id }, { replace: true });
  };
  return (
    <div className={styles.screen}>
      <TopBar
        path={
          <>
            <Crumbs
              to={[
                { label: `${series.name} ${series.code}`, href: `/series/${series.id}` },
                { label: procedure.title, href: `/procedures/${procedure.id}` },
              ]}
              here={t('narration.title')}
            />
            {narrations.length > 1 && chosen ? (
              <Select
                size="xs"
                w={200}
                allowDeselect={false}
                aria-label={t('narration.source')}
                data={narrations.map(({ id, name }) => ({ value: id, label: name }))}
                value={chosen.id}
                onChange={(id) => id && choose(id)}
              />
            ) : (
              chosen && <Tag>{chosen.name}</Tag>
            )}
          </>
        }
        actions={
          <Group gap="xs" wrap="nowrap">
            {writes && (
              <>
                <SaveStateNote />
                <Menu position="bottom-end" width={260}>
                  <Menu.Target>
                    <Button variant="default">{t('author.more')}</Button>
                  </Menu.Target>
                  <Menu.Dropdown>
                    <Menu.Item
                      leftSection={<IconArrowBackUp size={18} />}
                      disabled={!history.canUndo}
                      onClick={history.undo}
                    >
                      {t('author.undo')}
                    </Menu.Item>
                    <Menu.Item
                      leftSection={<IconArrowForwardUp size={18} />}
                      disabled={!history.canRedo}
                      onClick={history.redo}
                    >
                      {t('author.redo')}
                    </Menu.Item>
                    <Menu.Item leftSection={<IconTable size={18} />} onClick={() => setParts(true)}>
                      {t('narration.parts')}
                    </Menu.Item>
                    <Menu.Item leftSection={<IconFilePlus size={18} />} onClick={() => setAdding(true)}>
                      {t('narration.add')}
                    </Menu.Item>
                  </Menu.Dropdown>
                </Menu>
              </>
            )}
            <Button component={Link} to={`/procedures/${procedure.id}`} variant="default">
              {t('narration.back')}
            </Button>
          </Group>
        }
      />
      {chosen && !adding ? (
        <Desk key={chosen.id} narration={chosen} writes={writes} onParts={() => setParts(true)} />
      ) : (
        <AddSource writes={writes} onAdded={choose} onCancel={chosen && (() => setAdding(false))} />
      )}
      <PartsDialog opened={parts} onClose={() => setParts(false)} />
      <StaleDialog />
    </div>
  );
}
