import i18next from 'i18next';
import { ApiFault } from './api';
import { notifications } from './overlays';

/** The one way to say that something went wrong: what, where, and what to do. */
export function tellFault(error: unknown): void {
  const { what, todo, where } = faultText(error);
  tellProblem(what, [...where, todo]);
}

/** What is wrong, and line by line where and what to do. */
export function tellProblem(what: string, lines: readonly string[]): void {
  notifications.show({
    color: 'kaki',
    title: what,
    message: lines.join('\n'),
    autoClose: 9000,
    withBorder: true,
    styles: { description: { color: 'var(--ink-2)', whiteSpace: 'pre-line' } },
  });
}

export function tellDone(message: string): void {
  notifications.show({ color: 'moss', message, withBorder: true });
}

export function faultText(error: unknown): { what: string; todo: string; where: string[] } {
  if (error instanceof ApiFault) {
    const { code, what, todo, where } = error.fault;
    const told = (part: 'what' | 'todo', otherwise: string) =>
      String(i18next.t(`fault.${code}.${part}` as 'fault.unreachable.what', { defaultValue: otherwise }));
    return {
      what: told('what', what),
      todo: told('todo', todo),
      where: (where ?? []).map(({ path, reason }) => `${path}: ${reason}`),
    };
  }
  return { what: i18next.t('fault.unexpected.what'), todo: i18next.t('fault.unexpected.todo'), where: [] };
}
