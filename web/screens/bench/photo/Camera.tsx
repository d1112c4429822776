import i18next from 'i18next';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Region } from '#core/photo/grey';
import { photoUrl } from '../../../ground/api';
import { modals } from '../../../ground/overlays';
import { hasCamera, useCamera } from '../../../parts/camera';
import frame from '../Bench.module.css';
import styles from './Photo.module.css';

interface CameraProps {
  /** The reference photo, laid over what the camera sees. */
  readonly ghost: string | undefined;
  readonly region: Region | undefined;
  readonly onTaken: (picture: Blob) => Promise<void>;
}

/** The camera with the reference as a ghost to line up with; without a camera the file dialog has to do. */
export function openCamera(props: CameraProps): void {
  if (!hasCamera()) return;
  modals.open({ title: i18next.t('bench.camera.title'), size: 'xl', children: <Camera {...props} /> });
}

const QUALITY = 0.92;

function Camera({ ghost, region, onTaken }: CameraProps) {
  const { t } = useTranslation();
  const { video, isReady, isRefused } = useCamera();
  const [withGhost, setWithGhost] = useState(true);
  const [aspect, setAspect] = useState(4 / 3);
  const take = async () => {
    const seen = video.current;
    if (!seen) return;
    const canvas = document.createElement('canvas');
    canvas.width = seen.videoWidth;
    canvas.height = seen.videoHeight;
    canvas.getContext('2d')?.drawImage(seen, 0, 0);
    const picture = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', QUALITY));
    modals.closeAll();
    if (picture) await onTaken(picture);
  };
  if (isRefused) return <p className={styles.refused}>{t('bench.camera.refused')}</p>;
  const share = (value: number) => `${100 * value}%`;
  return (
    <div className={styles.cameraBox}>
      <div className={styles.view} style={{ aspectRatio: aspect }}>
        <video
          ref={video}
          autoPlay
          playsInline
          muted
          aria-label={t('bench.camera.view')}
          // The whole of what is taken is shown, so that reference and frame lie where they will be judged.
          onLoadedMetadata={({ currentTarget: { videoWidth, videoHeight } }) => setAspect(videoWidth / videoHeight)}
        />
        {ghost && withGhost && <img className={styles.ghost} src={photoUrl(ghost)} alt="" />}
        {region && (
          <div
            className={styles.region}
            style={{
              left: share(region.x),
              top: share(region.y),
              width: share(region.width),
              height: share(region.height),
            }}
          />
        )}
      </div>
      <div className={styles.buttons}>
        {ghost && (
          <button
            type="button"
            className={frame.medium}
            aria-pressed={withGhost}
            onClick={() => setWithGhost(!withGhost)}
          >
            {t(withGhost ? 'bench.camera.hideGhost' : 'bench.camera.showGhost')}
          </button>
        )}
        <button type="button" className={`${frame.medium} ${frame.go}`} disabled={!isReady} onClick={() => void take()}>
          {t('bench.camera.take')}
        </button>
      </div>
    </div>
  );
}
