import { Button, Group, List, Stack, Text, Textarea, Title } from '@mantine/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useParams } from 'react-router';
import { check } from '#core/findings/check';
import { findingKey } from '#core/findings/finding';
import { sayFinding, sayReason } from '#core/language/en/findings';
import { benchMinutes } from '#core/model/lookup';
import { FaultNotice, Loading } from '../../frame/Fallbacks';
import { Crumbs, Page, TopBar } from '../../frame/Shell';
import { usePerson } from '../../frame/SignedIn';
import { answer, api } from '../../ground/api';
import { showDuration, showMoment, today } from '../../ground/format';
import { tellDone, tellFault } from '../../ground/notify';
import { mayWrite } from '../../ground/session';
import { Tag } from '../../parts/Tag';
import { save, workbookOf } from '../../sync/autosave';
import { Corrects } from './Corrects';
import styles from './Release.module.css';

/** What stops the draft from being released, and the release itself. */
export function ReleaseScreen() {
  const { t } = useTranslation();
  const { id = '' } = useParams();
  const person = usePerson();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [note, setNote] = useState('');
  const [corrects, setCorrects] = useState<readonly string[]>([]);
  const [corrected, setCorrected] = useState('');
  const [busy, setBusy] = useState(false);
  const query = useQuery({
    queryKey: ['release-of', id],
    queryFn: async () => {
      // Edits made a moment ago may still be on their way.
      await save();
      return answer(api.procedures[':id'].$get({ param: { id } }));
    },
    gcTime: 0,
  });
  if (query.error) return <FaultNotice error={query.error} />;
  if (!query.data) return <Loading />;

  const { procedure, series, releases, releasedAsIs } = query.data;
  const workbook = workbookOf(query.data);
  const findings = check(workbook, undefined, today());
  const stops = findings.filter((finding) => finding.severity === 'stop');
  const warnings = findings.filter((finding) => finding.severity !== 'stop' && !finding.accepted);
  const accepted = findings.filter((finding) => finding.accepted);
  const { minutes, unsaid } = benchMinutes(workbook.procedure);

  const wholeNote = [note.trim(), corrected].filter(Boolean).join('\n');

  const release = async () => {
    setBusy(true);
    try {
      const done = await answer(
        api.procedures[':id'].releases.$post({
          param: { id },
          json: {
            version: procedure.version,
            seriesVersion: series.version,
            ...(wholeNote && { note: wholeNote }),
            ...(corrects.length > 0 && { corrects: [...corrects] }),
          },
        }),
      );
      await queries.invalidateQueries();
      tellDone(t('release.done', { number: done.number }));
      navigate('/');
    } catch (error) {
      tellFault(error);
      await query.refetch();
    } finally {
      setBusy(false);
    }
  };

  return (
    <>
      <TopBar
        path={
          <Crumbs
            to={[
              { label: `${workbook.series.name} ${workbook.series.code}`, href: `/series/${workbook.series.id}` },
              { label: workbook.procedure.title, href: `/procedures/${id}` },
            ]}
            here={t('release.title')}
          />
        }
      />
      <Page>
        <Stack maw={760} gap="lg">
          <Title order={1} size={26}>
            {t('release.heading', { title: workbook.procedure.title, number: (releases[0]?.number ?? 0) + 1 })}
          </Title>
          <Text className="quiet">
            {t('shelf.steps', { count: workbook.procedure.steps.length })}
            {minutes > 0 && t('fold.about', { time: showDuration(minutes) })}
            {unsaid > 0 && minutes > 0 && t('release.untimed', { count: unsaid })}
          </Text>
          {stops.length > 0 ? (
            <section aria-label={t('release.stopped')}>
              <Tag tone="kaki">{t('release.stopped')}</Tag>
              <List mt="sm" spacing={6}>
                {stops.map((finding) => (
                  <List.Item key={findingKey(finding)}>
                    <strong>{sayFinding(finding, workbook)}</strong> {sayReason(finding)}
                  </List.Item>
                ))}
              </List>
            </section>
          ) : (
            <div>
              <Tag tone="moss">{t('release.clean')}</Tag>
            </div>
          )}
          {warnings.length > 0 && (
            <section aria-label={t('release.warnings')}>
              <Tag tone="ochre">{t('release.warnings')}</Tag>
              <List mt="sm" spacing={6}>
                {warnings.map((finding) => (
                  <List.Item key={findingKey(finding)}>
                    {sayFinding(finding, workbook)} {sayReason(finding)}
                  </List.Item>
                ))}
              </List>
            </section>
          )}
          {accepted.length > 0 && (
            <section aria-label={t('release.accepted')}>
              <Tag>{t('release.accepted')}</Tag>
              <List mt="sm" spacing={6}>
                {accepted.map((finding) => (
                  <List.Item key={findingKey(finding)}>
                    {sayFinding(finding, workbook)} {t('findings.accepted', { reason: finding.accepted })}
                  </List.Item>
                ))}
              </List>
            </section>
          )}
          {mayWrite(person) && (
            <>
              <Corrects
                procedure={procedure.document}
                corrects={corrects}
                onCorrects={(ids, lines) => {
                  setCorrects(ids);
                  setCorrected(lines);
                }}
              />
              <Textarea
                label={t('release.note')}
                description={t('release.noteHint')}
                value={note}
                onChange={(event) => setNote(event.currentTarget.value)}
                maxLength={600}
                autosize
                minRows={2}
              />
              <Group>
                <Button onClick={release} loading={busy} disabled={stops.length > 0 || releasedAsIs}>
                  {t('release.go', { number: (releases[0]?.number ?? 0) + 1 })}
                </Button>
                <Button component={Link} to={`/procedures/${id}`} variant="default">
                  {t('release.back')}
                </Button>
                {releasedAsIs && (
                  <Text className="quiet">{t('release.nothingNew', { number: releases[0]?.number })}</Text>
                )}
              </Group>
            </>
          )}
          {releases.length > 0 && (
            <section>
              <Title order={2} size="h4" mb="xs">
                {t('release.earlier')}
              </Title>
              <List spacing={6}>
                {releases.map((earlier) => (
                  <List.Item key={earlier.id}>
                    <a href={`/api/releases/${earlier.id}/pdf`} target="_blank" rel="noreferrer">
                      {t('release.number', { number: earlier.number })}
                    </a>
                    {t('release.byOn', { name: earlier.releasedBy, when: showMoment(earlier.releasedAt) })}
                    {earlier.note && <span className={styles.note}>{`: ${earlier.note}`}</span>}
                  </List.Item>
                ))}
              </List>
            </section>
          )}
        </Stack>
      </Page>
    </>
  );
}
