import { ActionIcon } from '@mantine/core';
import { IconX } from '@tabler/icons-react';
import { useTranslation } from 'react-i18next';

/** The cross behind a field or a line that can be taken away. */
export function Remove({ of, onClick }: { of?: string; onClick: () => void }) {
  const { t } = useTranslation();
  const label = of ? t('step.removeField', { field: of }) : t('step.removeOne');
  return (
    <ActionIcon variant="subtle" color="gray" size={32} aria-label={label} title={label} onClick={onClick}>
      <IconX size={16} />
    </ActionIcon>
  );
}
