import { Button, FileButton, Group, Progress, Textarea } from '@mantine/core';
import { IconFileText, IconMovie } from '@tabler/icons-react';
import { nanoid } from 'nanoid';
import { type DragEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Narration, Passage } from '#core/model/narration';
import { proposalsFrom } from '#core/narration/propose';
import { readAhead } from '#core/narration/reading';
import { readPasted, readSource, SOURCE_KINDS, SourceFault, sourceKind } from '#core/narration/source';
import { sendVideo } from '../../ground/api';
import { tellFault, tellProblem } from '../../ground/notify';
import { useAuthor } from '../../state/author-store';
import styles from './Narration.module.css';

interface AddSourceProps {
  readonly writes: boolean;
  readonly onAdded: (narrationId: string) => void;
  /** Goes back to what is there already. */
  readonly onCancel?: (() => void) | undefined;
}

type Working = { readonly kind: 'reading' | 'sending'; readonly share: number };

/** Brings in an old instruction or the captions of a video, with or without the video: dropped, chosen or pasted. */
export function AddSource({ writes, onAdded, onCancel }: AddSourceProps) {
  const { t } = useTranslation();
  const [pasted, setPasted] = useState('');
  const [video, setVideo] = useState<File | null>(null);
  const [working, setWorking] = useState<Working | null>(null);
  const [over, setOver] = useState(false);

  const add = async (name: string, passages: readonly Passage[]) => {
    const { series } = useAuthor.getState().workbook;
    setWorking({ kind: 'reading', share: 0 });
    for (const share of readAhead(passages, series)) {
      setWorking({ kind: 'reading', share });
      // The screen shows how far it is.
      await new Promise((done) => setTimeout(done));
    }
    let sent: { hash: string } | undefined;
    if (video) {
      setWorking({ kind: 'sending', share: 1 });
      sent = await sendVideo(video);
    }
    const { workbook, apply } = useAuthor.getState();
    const narration: Narration = {
      id: nanoid(10),
      name: name.slice(0, 160),
      ...(sent && { video: sent.hash }),
      passages: [...passages],
      ...proposalsFrom(passages, workbook.series),
    };
    const narrations = [...(workbook.procedure.narrations ?? []), narration];
    if (apply([{ kind: 'change-procedure', fields: { narrations } }])) onAdded(narration.id);
  };
  const read = async (name: string, passages: Promise<readonly Passage[]>) => {
    try {
      await add(name, await passages);
    } catch (error) {
      if (error instanceof SourceFault)
        tellProblem(t('narration.notRead', { name }), [t(`narration.problem.${error.problem}`)]);
      else tellFault(error);
    }
    setWorking(null);
  };
  const take = async (files: readonly File[]) => {
    const film = files.find(({ type }) => type.startsWith('video/'));
    if (film) setVideo(film);
    const text = files.find(({ type, name }) => !type.startsWith('video/') && name !== '');
    if (!text || working) return;
    const content = sourceKind(text.name) === 'docx' ? new Uint8Array(await text.arrayBuffer()) : await text.text();
    await read(text.name, readSource(text.name, content));
  };
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void take([...event.dataTransfer.files]);
  };

  if (!writes) return <main className={styles.add}>{t('narration.none')}</main>;
  return (
    <main className={styles.add}>
      <h1>{t('narration.addTitle')}</h1>
      <p className="quiet">{t('narration.addAbout')}</p>
      <section
        className={`${styles.drop} ${over ? styles.over : ''}`}
        aria-label={t('narration.drop')}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={onDrop}
      >
        <span>{t('narration.drop')}</span>
        <FileButton
          accept="video/mp4,video/webm"
          onChange={(file) => file && setVideo(file)}
          inputProps={{ 'aria-label': t('narration.video') }}
        >
          {(props) => (
            <Button {...props} disabled={working !== null} variant="default" leftSection={<IconMovie size={18} />}>
              {video ? video.name : t('narration.video')}
            </Button>
          )}
        </FileButton>
        <FileButton
          accept={SOURCE_KINDS.map((kind) => `.${kind}`).join(',')}
          onChange={(file) => file && void take([file])}
          inputProps={{ 'aria-label': t('narration.file') }}
        >
          {(props) => (
            <Button {...props} disabled={working !== null} leftSection={<IconFileText size={18} />}>
              {t('narration.file')}
            </Button>
          )}
        </FileButton>
      </section>
      <Textarea
        label={t('narration.paste')}
        autosize
        minRows={5}
        maxRows={12}
        value={pasted}
        onChange={(event) => setPasted(event.currentTarget.value)}
      />
      <Group>
        <Button
          disabled={!pasted.trim() || working !== null}
          onClick={() => void read(t('narration.pasted'), readPasted(pasted))}
        >
          {t('narration.readPasted')}
        </Button>
        {onCancel && (
          <Button variant="default" onClick={onCancel}>
            {t('app.cancel')}
          </Button>
        )}
      </Group>
      {working && (
        <div role="status">
          <span>{t(`narration.working.${working.kind}`)}</span>
          <Progress
            value={working.share * 100}
            animated={working.kind === 'sending'}
            aria-label={t(`narration.working.${working.kind}`)}
          />
        </div>
      )}
    </main>
  );
}
