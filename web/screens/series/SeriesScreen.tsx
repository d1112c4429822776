import { Button, Group, List, Modal, NumberInput, Table, Text, TextInput, Title, UnstyledButton } from '@mantine/core';
import i18next from 'i18next';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { changeComponent } from '#core/edits/steps';
import { positionSetById } from '#core/model/lookup';
import type { Series } from '#core/model/series';
import { Silhouette } from '../../drawings/Silhouette';
import { FaultNotice, Loading } from '../../frame/Fallbacks';
import { Crumbs, Page, TopBar } from '../../frame/Shell';
import { usePerson } from '../../frame/SignedIn';
import { answer, api } from '../../ground/api';
import { goTo } from '../../ground/navigate';
import { tellFault } from '../../ground/notify';
import { mayWrite } from '../../ground/session';
import { DraftText } from '../../parts/DraftText';
import { PartFields } from '../../parts/PartFields';
import { PartStructure } from '../../parts/PartStructure';
import { openNewProcedure, positionSet } from '../shelf/NewDocuments';
import { useProceduresOf } from '../shelf/shelf';
import { ConsumableTable } from './ConsumableTable';
import { Delete } from './Delete';
import { DutyFields } from './DutyFields';
import { KitList } from './KitList';
import { PositionList } from './PositionList';
import styles from './Series.module.css';
import { StackList } from './StackList';
import { ToolTable } from './ToolTable';
import { useOpenSeries } from './useOpenSeries';

/** A copy of a procedure, opened for writing. */
async function copyProcedure(id: string): Promise<void> {
  try {
    const { procedure } = await answer(api.procedures[':id'].$get({ param: { id } }));
    const title = i18next.t('stale.copyTitle', { title: procedure.document.title });
    const copy = await answer(
      api.procedures[':id'].copies.$post({ param: { id }, json: { document: { ...procedure.document, title } } }),
    );
    goTo(`/procedures/${copy.id}`);
  } catch (error) {
    tellFault(error);
  }
}

/** A pump family: its procedures, positions, parts, tools and consumables. */
export function SeriesScreen() {
  const { t } = useTranslation();
  const { id = '' } = useParams();
  const writes = mayWrite(usePerson());
  const { series, change, error } = useOpenSeries(id);
  const procedures = useProceduresOf(id);
  const [openPart, setOpenPart] = useState<string | null>(null);
  if (error) return <FaultNotice error={error} />;
  if (!series) return <Loading />;
  const part = series.components.find((component) => component.id === openPart);

  return (
    <>
      <TopBar path={<Crumbs to={[]} here={`${series.name} ${series.code}`} />} />
      <Page>
        <Group mb="xs" align="baseline">
          <Title order={1} size={26}>
            {series.name} {series.code}
          </Title>
          <Text className="quiet">{t(`pumpType.${series.pumpType}`)}</Text>
          <span style={{ flex: 1 }} />
          <Button component={Link} to={`/series/${id}/torque`} variant="default">
            {t('torque.title')}
          </Button>
          <Button component="a" href={`/api/series/${id}/package`} download variant="default">
            {t('series.export')}
          </Button>
          {writes && <Button onClick={() => openNewProcedure(series)}>{t('shelf.newProcedure')}</Button>}
        </Group>
        {writes && (
          <Group grow maw={720} mb="lg" align="flex-start">
            <DraftText
              label={t('newSeries.name')}
              value={series.name}
              maxLength={120}
              onCommit={(name) => name && change({ ...series, name })}
            />
            <DraftText
              label={t('newSeries.code')}
              value={series.code}
              maxLength={40}
              onCommit={(code) => code && change({ ...series, code })}
            />
            <DraftText
              label={t('series.note')}
              value={series.note ?? ''}
              maxLength={2000}
              onCommit={(note) => {
                const { note: _old, ...rest } = series;
                void change(note ? { ...rest, note } : rest);
              }}
            />
          </Group>
        )}
        {!writes && series.note && <Text mb="lg">{series.note}</Text>}

        <Title order={2} size="h4" mb="xs">
          {t('series.procedures')}
        </Title>
        <List mb={procedures?.length ? 'xl' : 0}>
          {(procedures ?? []).map((procedure) => (
            <List.Item key={procedure.id}>
              <Link to={`/procedures/${procedure.id}`}>{procedure.title}</Link>
              {`, ${t('shelf.steps', { count: procedure.steps })}`}{' '}
              {writes && (
                <Button
                  size="compact-sm"
                  variant="subtle"
                  aria-label={t('series.copyOf', { title: procedure.title })}
                  onClick={() => void copyProcedure(procedure.id)}
                >
                  {t('series.copy')}
                </Button>
              )}
            </List.Item>
          ))}
        </List>
        {procedures?.length === 0 && <Text className="quiet">{t('shelf.noProcedures')}</Text>}

        <Title order={2} size="h4" mb="xs">
          {t('series.positions')}
        </Title>
        <PositionList
          series={series}
          writes={writes}
          change={change}
          remove={({ id: gone }) => change(without(series, 'positionSets', gone))}
        />
        {series.positionSets.length === 0 && (
          <Text className="quiet" mb="sm">
            {t('series.noPositions')}
          </Text>
        )}
        {writes && (
          <AddPositions
            onAdd={(name, count) =>
              change({ ...series, positionSets: [...series.positionSets, positionSet(name, count)] })
            }
          />
        )}

        <Title order={2} size="h4" mt="xl" mb="xs">
          {t('series.parts')}
        </Title>
        {series.components.length === 0 ? (
          <Text className="quiet">{t('series.noParts')}</Text>
        ) : (
          <Table verticalSpacing={7} bg="var(--sheet)" withTableBorder>
            <Table.Thead>
              <Table.Tr>
                <Table.Th w={54}>{t('series.drawing')}</Table.Th>
                <Table.Th>{t('part.name')}</Table.Th>
                <Table.Th>{t('part.kind')}</Table.Th>
                <Table.Th>{t('part.count')}</Table.Th>
                <Table.Th>{t('part.renewal')}</Table.Th>
                <Table.Th>{t('part.number')}</Table.Th>
                {writes && <Table.Th w={52}>{t('series.actions')}</Table.Th>}
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {series.components.map((component) => {
                const set = positionSetById(series, component.positionSetId);
                const inAll = component.several ? t('part.countOpen') : component.count;
                return (
                  <Table.Tr key={component.id}>
                    <Table.Td>
                      <Silhouette part={component} size={26} />
                    </Table.Td>
                    <Table.Td>
                      {writes ? (
                        <UnstyledButton onClick={() => setOpenPart(component.id)} td="underline">
                          {component.name}
                        </UnstyledButton>
                      ) : (
                        component.name
                      )}
                      {component.matched && <span className="quiet">{`, ${t('part.matchedShort')}`}</span>}
                    </Table.Td>
                    <Table.Td>{t(`kind.${component.kind}`)}</Table.Td>
                    <Table.Td>
                      {set ? t('part.perPosition', { count: component.count, name: set.name }) : inAll}
                    </Table.Td>
                    <Table.Td>{t(`renewal.${component.renewal}`)}</Table.Td>
                    <Table.Td className="number">{component.partNumber ?? ''}</Table.Td>
                    {writes && (
                      <Table.Td>
                        <Delete
                          name={component.name}
                          onDelete={() => change(without(series, 'components', component.id))}
                        />
                      </Table.Td>
                    )}
                  </Table.Tr>
                );
              })}
            </Table.Tbody>
          </Table>
        )}
        <KitList series={series} onChange={writes ? change : undefined} />
        <StackList series={series} onChange={writes ? change : undefined} />
        {writes && <DutyFields series={series} change={change} />}
        <ToolTable series={series} onChange={writes ? change : undefined} />
        <ConsumableTable series={series} onChange={writes ? change : undefined} />
      </Page>
      <Modal
        opened={part !== undefined}
        size={820}
        onClose={() => setOpenPart(null)}
        title={part ? t('part.about', { name: part.name }) : ''}
      >
        {part && (
          <div className={styles.part}>
            {[PartFields, PartStructure].map((Fields) => (
              <Fields
                key={Fields.name}
                component={part}
                series={series}
                onChange={(fields) => change(changeComponent(series, part.id, fields))}
              />
            ))}
          </div>
        )}
      </Modal>
    </>
  );
}

/** The series without one of its parts or position sets. */
function without(series: Series, list: 'components' | 'positionSets', id: string): Series {
  return { ...series, [list]: series[list].filter((item) => item.id !== id) };
}

function AddPositions({ onAdd }: { onAdd: (name: string, count: number) => void }) {
  const { t } = useTranslation();
  const [name, setName] = useState('');
  const [count, setCount] = useState(2);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onAdd(name.trim(), count);
    setName('');
  };
  return (
    <form onSubmit={submit}>
      <Group gap="xs">
        <TextInput
          aria-label={t('newSeries.repeats')}
          placeholder={t('newSeries.repeatsExample')}
          value={name}
          maxLength={60}
          onChange={(event) => setName(event.currentTarget.value)}
        />
        <NumberInput
          aria-label={t('newSeries.count')}
          min={1}
          max={48}
          allowDecimal={false}
          clampBehavior="strict"
          w={80}
          value={count}
          onChange={(value) => setCount(Number(value) || 1)}
        />
        <Button type="submit" variant="default" disabled={!name.trim()}>
          {t('series.addPositions')}
        </Button>
      </Group>
    </form>
  );
}
