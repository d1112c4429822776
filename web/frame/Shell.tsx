import { Menu, UnstyledButton } from '@mantine/core';
import { useQueryClient } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, NavLink, useNavigate } from 'react-router';
import { FukusaMark } from '../drawings/FukusaMark';
import { tellFault } from '../ground/notify';
import { modals } from '../ground/overlays';
import { PasswordForm } from '../parts/PasswordForm';
import { Tag } from '../parts/Tag';
import { signOut } from './leave';
import { NewVersionNote } from './NewVersionNote';
import styles from './Shell.module.css';
import { usePerson } from './SignedIn';
import { WaitingNote } from './WaitingNote';

/** The top bar: where one is, what one can do here, and who one is. */
export function TopBar({ path, actions }: { path?: ReactNode; actions?: ReactNode }) {
  const { t } = useTranslation();
  const person = usePerson();
  return (
    <header className={styles.bar}>
      <Link to="/" className={styles.brand}>
        <FukusaMark />
        {t('app.name')}
      </Link>
      {path ? (
        <div className={styles.path}>{path}</div>
      ) : (
        <nav className={styles.places} aria-label={t('app.places')}>
          <NavLink to="/" end>
            {t('shelf.title')}
          </NavLink>
          <NavLink to="/jobs">{t('jobs.title')}</NavLink>
          <NavLink to="/settings">{t('settings.title')}</NavLink>
          {person.role === 'lead' && <NavLink to="/people">{t('people.title')}</NavLink>}
        </nav>
      )}
      <span className={styles.grow} />
      <NewVersionNote />
      <WaitingNote />
      {actions}
      <PersonMenu />
    </header>
  );
}

/** A crumb path: the shelf, then what is given; the last is where one is. */
export function Crumbs({ to, here }: { to: readonly { label: string; href: string }[]; here: string }) {
  const { t } = useTranslation();
  const crumbs = [{ label: t('shelf.title'), href: '/' }, ...to];
  return (
    <>
      {crumbs.map(({ label, href }) => (
        <span key={href}>
          <Link to={href}>{label}</Link>
          {' / '}
        </span>
      ))}
      <span className={styles.here}>{here}</span>
    </>
  );
}

export function Page({ children }: { children: ReactNode }) {
  return <main className={styles.page}>{children}</main>;
}

function PersonMenu() {
  const { t } = useTranslation();
  const person = usePerson();
  const queries = useQueryClient();
  const navigate = useNavigate();

  const leave = () =>
    signOut(person.id, () => {
      queries.clear();
      navigate('/sign-in');
    }).catch(tellFault);

  return (
    <Menu position="bottom-end" width={240}>
      <Menu.Target>
        <UnstyledButton aria-label={t('app.youAre', { name: person.name })}>
          <Tag>{person.name}</Tag>
        </UnstyledButton>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Label>{t(`role.${person.role}`)}</Menu.Label>
        <Menu.Item onClick={() => modals.open({ title: t('password.title'), children: <PasswordForm /> })}>
          {t('password.title')}
        </Menu.Item>
        <Menu.Item onClick={() => void leave()}>{t('app.signOut')}</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
