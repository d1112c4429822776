import { ActionIcon, Button, SegmentedControl, TagsInput, Text, TextInput, Title } from '@mantine/core';
import { IconX } from '@tabler/icons-react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { HouseRules } from '#core/model/house-rules';
import { sayPreferred, UNIT_PREFERENCES, type UnitPreference } from '#core/quantity/preference';
import { FaultNotice, Loading } from '../../frame/Fallbacks';
import { Page, TopBar } from '../../frame/Shell';
import { usePerson } from '../../frame/SignedIn';
import { answer, api } from '../../ground/api';
import { tellFault } from '../../ground/notify';
import { mayWrite } from '../../ground/session';
import { DraftText } from '../../parts/DraftText';
import { useReader } from '../../state/reader';
import { Backups } from './Backups';
import styles from './Settings.module.css';
import { UnusedMedia } from './UnusedMedia';

/** How this workshop wants things said, and how the person at this device wants figures shown. */
export function SettingsScreen() {
  const { t } = useTranslation();
  const { units, prefer } = useReader();
  const person = usePerson();
  const writes = mayWrite(person);
  return (
    <>
      <TopBar />
      <Page>
        <Title order={1} size={28} mb="lg">
          {t('settings.title')}
        </Title>
        <Title order={2} size="h4" mb={6}>
          {t('settings.units')}
        </Title>
        <Text className="quiet" mb={8}>
          {t('settings.unitsBody')}
        </Text>
        <SegmentedControl
          aria-label={t('settings.units')}
          data={UNIT_PREFERENCES.map((value) => ({ value, label: t(`settings.unit.${value}`) }))}
          value={units}
          onChange={(value) => prefer(value as UnitPreference)}
        />
        <Text mt={8} className="number">
          {t('settings.example', {
            one: sayPreferred({ value: 45, unit: 'N·m' }, units),
            other: sayPreferred({ value: 62, unit: 'lbf·in' }, units),
          })}
        </Text>
        <Terms />
        {writes && <UnusedMedia />}
        {person.role === 'lead' && <Backups />}
      </Page>
    </>
  );
}

const HOUSE = ['house'];

function Terms() {
  const { t } = useTranslation();
  const queries = useQueryClient();
  const writes = mayWrite(usePerson());
  const query = useQuery({ queryKey: HOUSE, queryFn: () => answer(api.house.$get()) });
  if (query.error) return <FaultNotice error={query.error} />;
  if (!query.data) return <Loading />;
  const { terms } = query.data.rules;
  const set = async (next: HouseRules['terms']) => {
    // Shown at once; what a refusal leaves takes its place.
    queries.setQueryData(HOUSE, { rules: { terms: next } });
    try {
      queries.setQueryData(HOUSE, await answer(api.house.$put({ json: { terms: next } })));
    } catch (error) {
      tellFault(error);
      await query.refetch();
    }
  };
  return (
    <section>
      <Title order={2} size="h4" mt="xl" mb={6}>
        {t('settings.terms')}
      </Title>
      <Text className="quiet" mb={8}>
        {t('settings.termsBody')}
      </Text>
      {terms.length > 0 && (
        <div className={styles.head}>
          <span>{t('settings.say')}</span>
          <span>{t('settings.insteadOf')}</span>
        </div>
      )}
      {terms.map((term, i) => (
        <div key={term.say} className={styles.term}>
          {writes ? (
            <>
              <DraftText
                ariaLabel={t('settings.say')}
                value={term.say}
                maxLength={60}
                onCommit={(say) => say && set(terms.with(i, { ...term, say }))}
              />
              <TagsInput
                aria-label={t('settings.insteadOfLabel', { say: term.say })}
                value={[...term.insteadOf]}
                onChange={(insteadOf) => insteadOf.length > 0 && set(terms.with(i, { ...term, insteadOf }))}
                acceptValueOnBlur
              />
              <ActionIcon
                variant="subtle"
                color="gray"
                size={36}
                aria-label={t('series.remove', { name: term.say })}
                onClick={() => set(terms.toSpliced(i, 1))}
              >
                <IconX size={16} />
              </ActionIcon>
            </>
          ) : (
            <>
              <strong>{term.say}</strong>
              <span>{term.insteadOf.join(', ')}</span>
            </>
          )}
        </div>
      ))}
      {terms.length === 0 && <Text className="quiet">{t('settings.noTerms')}</Text>}
      {writes && (
        <NewTerm
          onAdd={(say, instead) => set([...terms, { say, insteadOf: [instead] }])}
          taken={terms.map(({ say }) => say)}
        />
      )}
    </section>
  );
}

function NewTerm({ onAdd, taken }: { onAdd: (say: string, instead: string) => void; taken: readonly string[] }) {
  const { t } = useTranslation();
  const [say, setSay] = useState('');
  const [instead, setInstead] = useState('');
  const known = taken.some((word) => word.toLowerCase() === say.trim().toLowerCase());
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!say.trim() || !instead.trim() || known) return;
    onAdd(say.trim(), instead.trim());
    setSay('');
    setInstead('');
  };
  return (
    <form className={styles.term} onSubmit={submit}>
      <TextInput
        aria-label={t('settings.newSay')}
        placeholder={t('settings.sayHint')}
        maxLength={60}
        value={say}
        error={known && t('settings.known')}
        onChange={(event) => setSay(event.currentTarget.value)}
      />
      <TextInput
        aria-label={t('settings.newInstead')}
        placeholder={t('settings.insteadHint')}
        maxLength={60}
        value={instead}
        onChange={(event) => setInstead(event.currentTarget.value)}
      />
      <Button type="submit" variant="default" disabled={!say.trim() || !instead.trim() || known}>
        {t('settings.add')}
      </Button>
    </form>
  );
}
