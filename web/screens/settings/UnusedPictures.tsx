import { Button, Text, Title } from '@mantine/core';
import { modals } from '@mantine/modals';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { answer, api, photoUrl } from '../../app/api';
import { FaultNotice, Loading } from '../../app/Fallbacks';
import { showMoment } from '../../app/format';
import { tellDone, tellFault } from '../../app/notify';
import styles from './Settings.module.css';

const UNUSED = ['photos', 'unused'];

/** Pictures that no draft, release or job shows any more, to be looked at and thrown away. */
export function UnusedPictures() {
  const { t } = useTranslation();
  const queries = useQueryClient();
  const query = useQuery({ queryKey: UNUSED, queryFn: () => answer(api.photos.unused.$get()), gcTime: 0 });
  if (query.error) return <FaultNotice error={query.error} />;
  if (!query.data) return <Loading />;
  const { photos } = query.data;
  const remove = async () => {
    try {
      const { deleted } = await answer(api.photos.unused.$delete({ json: { hashes: photos.map(({ hash }) => hash) } }));
      tellDone(t('settings.deleted', { count: deleted }));
      await queries.invalidateQueries({ queryKey: UNUSED });
    } catch (error) {
      tellFault(error);
    }
  };
  const ask = () =>
    modals.openConfirmModal({
      title: t('settings.deleteUnused', { count: photos.length }),
      children: t('settings.deleteAsk'),
      labels: { confirm: t('app.delete'), cancel: t('app.cancel') },
      confirmProps: { color: 'kaki' },
      onConfirm: () => void remove(),
    });
  return (
    <section>
      <Title order={2} size="h4" mt="xl" mb={6}>
        {t('settings.unused')}
      </Title>
      {photos.length === 0 ? (
        <Text className="quiet">{t('settings.noUnused')}</Text>
      ) : (
        <>
          <div className={styles.unused}>
            {photos.map(({ hash, createdAt }) => (
              <a key={hash} href={photoUrl(hash)} target="_blank" rel="noreferrer">
                <img
                  src={photoUrl(hash, 'thumb')}
                  alt={t('settings.unusedAlt', { at: showMoment(createdAt) })}
                  loading="lazy"
                />
              </a>
            ))}
          </div>
          <Button mt="xs" variant="default" onClick={ask}>
            {t('settings.deleteUnused', { count: photos.length })}
          </Button>
        </>
      )}
    </section>
  );
}
