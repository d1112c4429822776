import { Button, Modal, Stack, Text } from '@mantine/core';
import { useEffect } from 'react';
import { useTranslation } from 'react-i18next';
import { PAPERS } from '#core/cloth/mat';
import { useAuthor } from '../../../state/author-store';
import { save } from '../../../sync/autosave';
import { useAuthorView } from '../desk/author-view';

/** The cloth on paper, for the real bench. */
export function PrintDialog() {
  const { t } = useTranslation();
  const opened = useAuthorView((state) => state.dialog === 'print');
  const id = useAuthor((state) => state.workbook.procedure.id);
  // The server prints what it holds.
  useEffect(() => {
    if (opened) void save();
  }, [opened]);
  return (
    <Modal opened={opened} onClose={() => useAuthorView.setState({ dialog: null })} title={t('cloth.print')}>
      <Stack>
        <Text>{t('print.body')}</Text>
        {PAPERS.map((paper) => (
          <Button
            key={paper}
            component="a"
            variant="default"
            target="_blank"
            rel="noreferrer"
            href={`/api/procedures/${id}/cloth?paper=${paper}`}
          >
            {t(`print.${paper}`)}
          </Button>
        ))}
      </Stack>
    </Modal>
  );
}
