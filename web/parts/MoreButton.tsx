import { Button, Center } from '@mantine/core';
import { useTranslation } from 'react-i18next';

/** The next part of a list; nothing at its end. */
export function MoreButton({ more, busy }: { more: (() => void) | undefined; busy: boolean }) {
  const { t } = useTranslation();
  if (!more) return null;
  return (
    <Center mt="md">
      <Button variant="default" loading={busy} onClick={more}>
        {t('app.showMore')}
      </Button>
    </Center>
  );
}
