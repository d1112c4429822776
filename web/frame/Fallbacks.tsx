import { Button, Loader, Stack, Text, Title } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { Link, useRouteError } from 'react-router';
import { faultText } from '../ground/notify';

/** The one empty or broken page: what is the matter and the way back. */
export function Notice({ title, body }: { title: string; body: string }) {
  const { t } = useTranslation();
  return (
    <Stack component="main" align="flex-start" gap="md" p={48} maw={640}>
      <Title order={1} size="h2">
        {title}
      </Title>
      <Text>{body}</Text>
      <Button component={Link} to="/" variant="default">
        {t('lost.back')}
      </Button>
    </Stack>
  );
}

export function LostScreen() {
  const { t } = useTranslation();
  return <Notice title={t('lost.title')} body={t('lost.body')} />;
}

export function BrokenScreen() {
  const { what, todo } = faultText(useRouteError());
  return <Notice title={what} body={todo} />;
}

export function FaultNotice({ error }: { error: unknown }) {
  const { what, todo } = faultText(error);
  return <Notice title={what} body={todo} />;
}

/** While something is fetched. */
export function Loading() {
  const { t } = useTranslation();
  return <Loader m={48} role="status" aria-label={t('app.loading')} />;
}
