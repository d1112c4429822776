import { Button, Text, Title } from '@mantine/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { FaultNotice, Loading } from '../../frame/Fallbacks';
import { answer, api, photoUrl, videoUrl } from '../../ground/api';
import { showMoment } from '../../ground/format';
import { tellDone, tellFault } from '../../ground/notify';
import { modals } from '../../ground/overlays';
import styles from './Settings.module.css';

/** The server deletes so many at a time. */
const AT_ONCE = 500;
const UNUSED = ['media', 'unused'];

/** Pictures and videos that no draft, release or job shows any more, to be looked at and thrown away. */
export function UnusedMedia() {
  const { t } = useTranslation();
  const queries = useQueryClient();
  const query = useQuery({ queryKey: UNUSED, queryFn: () => answer(api.media.unused.$get()), gcTime: 0 });
  if (query.error) return <FaultNotice error={query.error} />;
  if (!query.data) return <Loading />;
  const { photos, videos } = query.data;
  const count = photos.length + videos.length;
  const hashes = (files: typeof photos) => files.slice(0, AT_ONCE).map(({ hash }) => hash);
  const remove = async () => {
    try {
      const { deleted } = await answer(
        api.media.unused.$delete({ json: { photos: hashes(photos), videos: hashes(videos) } }),
      );
      tellDone(t('settings.deleted', { count: deleted }));
      await queries.invalidateQueries({ queryKey: UNUSED });
    } catch (error) {
      tellFault(error);
    }
  };
  const ask = () =>
    modals.openConfirmModal({
      title: t('settings.deleteUnused', { count }),
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
      {count === 0 ? (
        <Text className="quiet">{t('settings.noUnused')}</Text>
      ) : (
        <>
          <div className={styles.unused}>
            {photos.map(({ hash, takenInAt }) => (
              <a key={hash} href={photoUrl(hash)} target="_blank" rel="noreferrer">
                <img
                  src={photoUrl(hash, 'thumb')}
                  alt={t('settings.unusedAlt', { at: showMoment(takenInAt) })}
                  loading="lazy"
                />
              </a>
            ))}
            {videos.map(({ hash, bytes, takenInAt }) => (
              <a key={hash} href={videoUrl(hash)} target="_blank" rel="noreferrer">
                <video src={videoUrl(hash)} preload="metadata" muted />
                {t('settings.unusedVideo', { at: showMoment(takenInAt), size: (bytes / 1e6).toFixed(1) })}
              </a>
            ))}
          </div>
          <Button mt="xs" variant="default" onClick={ask}>
            {t('settings.deleteUnused', { count })}
          </Button>
        </>
      )}
    </section>
  );
}
