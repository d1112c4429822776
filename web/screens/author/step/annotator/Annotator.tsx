import { Button, Group, SegmentedControl, TextInput } from '@mantine/core';
import type Konva from 'konva';
import { nanoid } from 'nanoid';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Image as CanvasImage, Layer, Stage } from 'react-konva';
import { MARK_COLOURS, type Picture, type PictureMark } from '#core/model/pictures/picture';
import { photoUrl, sendPhoto } from '../../../../ground/api';
import { tellFault } from '../../../../ground/notify';
import styles from './Annotator.module.css';
import { MarkShape } from './MarkShape';
import { dragged, moveMark, removeMark, startMark, TOOLS, type Tool } from './marks';

interface AnnotatorProps {
  readonly picture: Picture;
  readonly onSave: (picture: Picture) => void;
  readonly onCancel: () => void;
}

const MAX_WIDTH = 920;
const MAX_HEIGHT = 520;
/** The drawn picture is stored at this width, so that it stays sharp when it is shown large or printed. */
const FLAT_WIDTH = 1800;

/** Arrows, rings, numbers, words and blurred areas on a photo. The photo stays as it is; the marks stay editable. */
export default function Annotator({ picture, onSave, onCancel }: AnnotatorProps) {
  const { t } = useTranslation();
  const stage = useRef<Konva.Stage>(null);
  const image = useImage(photoUrl(picture.photo));
  const [marks, setMarks] = useState<readonly PictureMark[]>(picture.marks);
  const [past, setPast] = useState<readonly (readonly PictureMark[])[]>([]);
  const [tool, setTool] = useState<Tool>('arrow');
  const [colour, setColour] = useState<(typeof MARK_COLOURS)[number]>('persimmon');
  const [chosen, setChosen] = useState<string | null>(null);
  const [begun, setBegun] = useState<PictureMark | null>(null);
  const [busy, setBusy] = useState(false);
  if (!image) return <div className={styles.waiting}>{t('app.loading')}</div>;

  const scale = Math.min(MAX_WIDTH / image.width, MAX_HEIGHT / image.height);
  const size = { width: Math.round(image.width * scale), height: Math.round(image.height * scale) };
  const edit = (next: readonly PictureMark[]) => {
    setPast([...past, marks]);
    setMarks(next);
  };
  const at = () => {
    const point = stage.current?.getPointerPosition();
    return point && { x: point.x / size.width, y: point.y / size.height };
  };
  const down = () => {
    const point = at();
    if (!point || tool === 'move') return setChosen(null);
    const mark = startMark(tool, nanoid(8), colour, point, marks, t('annotate.word'));
    if (tool === 'number' || tool === 'text') {
      edit([...marks, mark]);
      setChosen(mark.id);
    } else setBegun(mark);
  };
  const drag = () => {
    const point = at();
    if (begun && point) setBegun(dragged(begun, point));
  };
  const up = () => {
    if (!begun) return;
    const drawn = dragged(begun, at() ?? { x: 0, y: 0 }, true);
    setBegun(null);
    if (!drawn) return;
    edit([...marks, drawn]);
    setChosen(drawn.id);
  };
  const undo = () => {
    const last = past.at(-1);
    if (!last) return;
    setMarks(last);
    setPast(past.slice(0, -1));
  };
  const removeChosen = () => {
    if (!chosen) return;
    edit(removeMark(marks, chosen));
    setChosen(null);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.target instanceof HTMLInputElement && event.target.type === 'text') return;
    const nudge = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (event.key === 'Delete' || event.key === 'Backspace') removeChosen();
    else if ((event.ctrlKey || event.metaKey) && event.key === 'z') undo();
    else if (nudge && chosen && event.target === event.currentTarget)
      edit(moveMark(marks, chosen, (nudge[0] ?? 0) / 100, (nudge[1] ?? 0) / 100));
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const save = async () => {
    setBusy(true);
    setChosen(null);
    const { flat: _old, ...rest } = picture;
    try {
      // Drawn once more without the frame of what is chosen, at the size it is stored in.
      await new Promise((resolve) => requestAnimationFrame(resolve));
      const drawn =
        marks.length > 0 &&
        ((await stage.current?.toBlob({
          pixelRatio: Math.max(1, Math.min(FLAT_WIDTH, image.width) / size.width),
          mimeType: 'image/png',
        })) as Blob | undefined);
      const flat = drawn ? (await sendPhoto(drawn)).hash : undefined;
      onSave({ ...rest, marks: [...marks], ...(flat && { flat }) });
    } catch (error) {
      tellFault(error);
      setBusy(false);
    }
  };
  const inHand = marks.find(({ id }) => id === chosen);
  return (
    <div
      className={styles.annotator}
      onKeyDown={onKeyDown}
      role="application"
      aria-label={t('picture.draw')}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: the drawing is moved with the arrow keys
      tabIndex={0}
    >
      <Group gap={10}>
        <SegmentedControl
          data={TOOLS.map((value) => ({ value, label: t(`annotate.tool.${value}`) }))}
          value={tool}
          onChange={(value) => setTool(value as Tool)}
          aria-label={t('annotate.tools')}
        />
        <SegmentedControl
          data={MARK_COLOURS.map((value) => ({ value, label: t(`annotate.colour.${value}`) }))}
          value={colour}
          onChange={(value) => setColour(value as typeof colour)}
          aria-label={t('annotate.colours')}
        />
        <Button variant="default" disabled={past.length === 0} onClick={undo}>
          {t('author.undo')}
        </Button>
        <Button variant="default" disabled={!chosen} onClick={removeChosen}>
          {t('app.delete')}
        </Button>
      </Group>
      <div className={styles.stage} style={size}>
        <Stage
          ref={stage}
          {...size}
          onPointerDown={down}
          onPointerMove={drag}
          onPointerUp={up}
          className={styles[tool]}
        >
          <Layer>
            <CanvasImage image={image} {...size} />
            {[...marks, ...(begun ? [begun] : [])].map((mark) => (
              <MarkShape
                key={mark.id}
                mark={mark}
                image={image}
                size={size}
                chosen={mark.id === chosen}
                movable={tool === 'move'}
                onChoose={() => setChosen(mark.id)}
                onMove={(dx, dy) => edit(moveMark(marks, mark.id, dx, dy))}
              />
            ))}
          </Layer>
        </Stage>
      </div>
      <Group justify="space-between">
        {inHand?.kind === 'text' ? (
          <TextInput
            aria-label={t('annotate.text')}
            value={inHand.text}
            maxLength={80}
            w={320}
            onChange={(event) => {
              const { value: text } = event.currentTarget;
              setMarks(marks.map((mark) => (mark === inHand ? { ...inHand, text } : mark)));
            }}
          />
        ) : (
          <span className="quiet">{t(`annotate.hint.${tool}`)}</span>
        )}
        <Group gap={8}>
          <Button variant="default" onClick={onCancel}>
            {t('app.cancel')}
          </Button>
          <Button
            loading={busy}
            disabled={marks.some((mark) => mark.kind === 'text' && !mark.text.trim())}
            onClick={save}
          >
            {t('annotate.save')}
          </Button>
        </Group>
      </Group>
    </div>
  );
}

function useImage(url: string): HTMLImageElement | undefined {
  const [image, setImage] = useState<HTMLImageElement>();
  useEffect(() => {
    const loading = new window.Image();
    loading.onload = () => setImage(loading);
    loading.src = url;
    return () => {
      loading.onload = null;
    };
  }, [url]);
  return image;
}
