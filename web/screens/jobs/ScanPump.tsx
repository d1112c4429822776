import { Button, FileButton, Group, Stack, Text, TextInput } from '@mantine/core';
import { type Remote, transfer, wrap } from 'comlink';
import i18next from 'i18next';
import { type FormEvent, useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { serialIn } from '#core/job/pump-code';
import { goTo } from '../../ground/navigate';
import { modals } from '../../ground/overlays';
import { hasCamera, useCamera } from '../../parts/camera';
import type { CodeReader } from '../../workers/code.worker';
import styles from './Jobs.module.css';

/** Scans the code on a pump, or takes its serial number as it is typed, and opens the page of the pump. */
export function openScanPump(): void {
  modals.open({ title: i18next.t('scan.title'), size: 'lg', children: <ScanPump /> });
}

/** Between two looks: quick enough to feel at once, with time for the rest of the tablet. */
const LOOK_EVERY_MS = 250;

function openPump(serial: string): void {
  modals.closeAll();
  goTo(`/pumps/${encodeURIComponent(serial)}`);
}

function ScanPump() {
  const { t } = useTranslation();
  const [serial, setSerial] = useState('');
  const [fault, setFault] = useState('');
  const reader = useReader();
  const found = (code: string | undefined) => {
    const read = code === undefined ? undefined : serialIn(code);
    if (read) openPump(read);
    else setFault(t(code === undefined ? 'scan.none' : 'scan.other'));
  };
  const photo = async (file: File | null) => {
    if (file && reader.current) found(await reader.current.read(file));
  };
  const typed = (event: FormEvent) => {
    event.preventDefault();
    const read = serialIn(serial);
    if (read) openPump(read);
  };
  return (
    <Stack>
      {hasCamera() ? <Live reader={reader} onCode={found} /> : <Text>{t('scan.noCamera')}</Text>}
      {fault && (
        <Text c="kaki" role="alert">
          {fault}
        </Text>
      )}
      <FileButton accept="image/jpeg,image/png,image/webp" capture="environment" onChange={(file) => void photo(file)}>
        {(props) => (
          <Button {...props} variant="default" size="lg">
            {t('scan.photo')}
          </Button>
        )}
      </FileButton>
      <form onSubmit={typed}>
        <Group align="end">
          <TextInput
            label={t('scan.serial')}
            value={serial}
            maxLength={60}
            size="lg"
            style={{ flex: 1 }}
            onChange={(event) => setSerial(event.currentTarget.value)}
          />
          <Button type="submit" size="lg" disabled={serial.trim() === ''}>
            {t('scan.open')}
          </Button>
        </Group>
      </form>
    </Stack>
  );
}

function useReader() {
  const reader = useRef<Remote<CodeReader>>(undefined);
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/code.worker.ts', import.meta.url), { type: 'module' });
    reader.current = wrap<CodeReader>(worker);
    return () => worker.terminate();
  }, []);
  return reader;
}

function Live({ reader, onCode }: { reader: ReturnType<typeof useReader>; onCode: (code: string) => void }) {
  const { t } = useTranslation();
  const { video, isReady, isRefused } = useCamera();
  const told = useRef(onCode);
  told.current = onCode;
  useEffect(() => {
    if (!isReady) return;
    let isLooking = false;
    const look = async () => {
      const seen = video.current;
      if (isLooking || !seen?.videoWidth || !reader.current) return;
      isLooking = true;
      const bitmap = await createImageBitmap(seen);
      const code = await reader.current.read(transfer(bitmap, [bitmap])).catch(() => undefined);
      isLooking = false;
      if (code !== undefined) told.current(code);
    };
    const timer = setInterval(() => void look(), LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, [isReady, reader, video]);
  if (isRefused) return <Text>{t('scan.refused')}</Text>;
  return <video ref={video} className={styles.seen} autoPlay playsInline muted aria-label={t('scan.view')} />;
}
