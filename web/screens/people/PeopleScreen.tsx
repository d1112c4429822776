import { Button, Group, PasswordInput, Select, Stack, Table, TextInput } from '@mantine/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import i18next from 'i18next';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ROLES, type Role } from '../../../server/ground/roles';
import { FaultNotice } from '../../frame/Fallbacks';
import { Page, TopBar } from '../../frame/Shell';
import { answer, api } from '../../ground/api';
import { tellDone, tellFault } from '../../ground/notify';
import { modals } from '../../ground/overlays';
import { Tag } from '../../parts/Tag';
import { useFields } from '../../parts/useFields';

const PEOPLE = ['people'];

/** The workshop's accounts; for the lead. */
export function PeopleScreen() {
  const { t } = useTranslation();
  const queries = useQueryClient();
  const people = useQuery({ queryKey: PEOPLE, queryFn: () => answer(api.people.$get()) });
  if (people.error) return <FaultNotice error={people.error} />;

  const change = (id: string, json: { role?: Role; active?: boolean }) =>
    answer(api.people[':id'].$patch({ param: { id }, json }))
      .catch(tellFault)
      .finally(() => queries.invalidateQueries({ queryKey: PEOPLE }));

  return (
    <>
      <TopBar />
      <Page>
        <Group mb="md">
          <h1>{t('people.title')}</h1>
          <span style={{ flex: 1 }} />
          <Button onClick={() => modals.open({ title: t('people.add'), children: <NewPersonForm /> })}>
            {t('people.add')}
          </Button>
        </Group>
        <Table verticalSpacing="sm" bg="var(--sheet)" withTableBorder>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('people.name')}</Table.Th>
              <Table.Th>{t('signIn.username')}</Table.Th>
              <Table.Th>{t('people.role')}</Table.Th>
              <Table.Th>{t('people.state')}</Table.Th>
              <Table.Th>{t('people.actions')}</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {people.data?.people.map((person) => (
              <Table.Tr key={person.id}>
                <Table.Td>{person.name}</Table.Td>
                <Table.Td className="number">{person.username}</Table.Td>
                <Table.Td>
                  <Select
                    aria-label={t('people.roleOf', { name: person.name })}
                    data={ROLES.map((value) => ({ value, label: t(`role.${value}`) }))}
                    value={person.role}
                    onChange={(role) => role && change(person.id, { role: role as Role })}
                    allowDeselect={false}
                    w={170}
                  />
                </Table.Td>
                <Table.Td>
                  <Tag tone={person.active ? 'moss' : undefined}>
                    {person.active ? t('people.active') : t('people.inactive')}
                  </Tag>
                </Table.Td>
                <Table.Td>
                  <Group gap="xs">
                    <Button variant="default" size="compact-sm" onClick={() => openReset(person)}>
                      {t('people.reset')}
                    </Button>
                    <Button
                      variant="default"
                      size="compact-sm"
                      onClick={() => change(person.id, { active: !person.active })}
                    >
                      {person.active ? t('people.deactivate') : t('people.activate')}
                    </Button>
                  </Group>
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </Page>
    </>
  );
}

function NewPersonForm() {
  const { t } = useTranslation();
  const queries = useQueryClient();
  const { values: form, field } = useFields({ name: '', username: '', password: '' });
  const [role, setRole] = useState<Role>('technician');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    try {
      await answer(api.people.$post({ json: { ...form, role } }));
      modals.closeAll();
      await queries.invalidateQueries({ queryKey: PEOPLE });
    } catch (error) {
      tellFault(error);
    }
  };
  return (
    <form onSubmit={submit}>
      <Stack>
        <TextInput label={t('people.name')} {...field('name')} data-autofocus />
        <TextInput label={t('signIn.username')} description={t('people.usernameRule')} {...field('username')} />
        <Select
          label={t('people.role')}
          data={ROLES.map((value) => ({ value, label: t(`role.${value}`) }))}
          value={role}
          onChange={(value) => value && setRole(value as Role)}
          allowDeselect={false}
        />
        <PasswordInput
          label={t('people.firstPassword')}
          description={t('password.rule')}
          minLength={8}
          {...field('password')}
        />
        <Button type="submit">{t('people.add')}</Button>
      </Stack>
    </form>
  );
}

function openReset(person: { id: string; name: string }): void {
  modals.open({ title: i18next.t('people.resetTitle', { name: person.name }), children: <ResetForm id={person.id} /> });
}

function ResetForm({ id }: { id: string }) {
  const { t } = useTranslation();
  const [password, setPassword] = useState('');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    try {
      await answer(api.people[':id'].$patch({ param: { id }, json: { password } }));
      modals.closeAll();
      tellDone(t('people.resetDone'));
    } catch (error) {
      tellFault(error);
    }
  };
  return (
    <form onSubmit={submit}>
      <Stack>
        <PasswordInput
          label={t('people.firstPassword')}
          description={t('password.rule')}
          minLength={8}
          value={password}
          onChange={(e) => setPassword(e.currentTarget.value)}
          required
          data-autofocus
        />
        <Button type="submit">{t('people.reset')}</Button>
      </Stack>
    </form>
  );
}
