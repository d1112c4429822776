import { ActionIcon } from '@mantine/core';
import { IconTrash } from '@tabler/icons-react';
import { useTranslation } from 'react-i18next';
import { modals } from '../../ground/overlays';

/** Asks first; the server refuses while a step still uses it, and says which. */
export function Delete({ name, onDelete }: { name: string; onDelete: () => void }) {
  const { t } = useTranslation();
  const label = t('series.remove', { name });
  const ask = () =>
    modals.openConfirmModal({
      title: label,
      children: t('series.removeAsk'),
      labels: { confirm: t('app.delete'), cancel: t('app.cancel') },
      confirmProps: { color: 'kaki' },
      onConfirm: onDelete,
    });
  return (
    <ActionIcon variant="subtle" color="gray" size={26} aria-label={label} title={label} onClick={ask}>
      <IconTrash size={15} />
    </ActionIcon>
  );
}
