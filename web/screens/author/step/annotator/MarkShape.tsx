import Konva from 'konva';
import { useEffect, useRef } from 'react';
import { Arrow, Image as CanvasImage, Circle, Ellipse, Group, Rect, Text } from 'react-konva';
import type { PictureMark } from '#core/model/pictures/picture';

/** The colours of the product, on a photo; the outline keeps each legible on light and dark. */
const COLOURS = { persimmon: '#c8471a', indigo: '#24406e', moss: '#4c6b2f', white: '#ffffff' };
const OUTLINES = { persimmon: '#fff7ef', indigo: '#eef2f9', moss: '#f1f5e8', white: '#1d2b45' };
const FONT = 'Atkinson Hyperlegible Next Variable, sans-serif';

interface MarkShapeProps {
  readonly mark: PictureMark;
  readonly image: HTMLImageElement;
  readonly size: { readonly width: number; readonly height: number };
  readonly chosen: boolean;
  readonly movable: boolean;
  readonly onChoose: () => void;
  readonly onMove: (dx: number, dy: number) => void;
}

/** One mark on the photo, in pixels of the canvas. */
export function MarkShape({ mark, image, size, chosen, movable, onChoose, onMove }: MarkShapeProps) {
  return (
    <Group
      draggable={movable}
      onPointerDown={movable ? onChoose : undefined}
      onDragEnd={(event) => {
        const { x, y } = event.target.position();
        event.target.position({ x: 0, y: 0 });
        onMove(x / size.width, y / size.height);
      }}
      shadowColor="#24406e"
      shadowEnabled={chosen}
      shadowBlur={chosen ? 9 : 0}
    >
      {shapeOf(mark, image, size)}
    </Group>
  );
}

function shapeOf(mark: PictureMark, image: HTMLImageElement, { width, height }: MarkShapeProps['size']) {
  const line = Math.max(3, width / 230);
  switch (mark.kind) {
    case 'arrow': {
      const points = [mark.fromX * width, mark.fromY * height, mark.toX * width, mark.toY * height];
      const head = { pointerLength: line * 4, pointerWidth: line * 4 };
      return (
        <>
          <Arrow
            points={points}
            {...head}
            stroke={OUTLINES[mark.colour]}
            fill={OUTLINES[mark.colour]}
            strokeWidth={line * 2.2}
          />
          <Arrow
            points={points}
            {...head}
            stroke={COLOURS[mark.colour]}
            fill={COLOURS[mark.colour]}
            strokeWidth={line}
          />
        </>
      );
    }
    case 'ring': {
      const ring = {
        x: (mark.x + mark.width / 2) * width,
        y: (mark.y + mark.height / 2) * height,
        radiusX: Math.abs(mark.width * width) / 2,
        radiusY: Math.abs(mark.height * height) / 2,
      };
      return (
        <>
          <Ellipse {...ring} stroke={OUTLINES[mark.colour]} strokeWidth={line * 2.2} />
          <Ellipse {...ring} stroke={COLOURS[mark.colour]} strokeWidth={line} />
        </>
      );
    }
    case 'number': {
      const r = Math.max(13, width / 52);
      return (
        <Group x={mark.x * width} y={mark.y * height}>
          <Circle radius={r} fill={COLOURS[mark.colour]} stroke={OUTLINES[mark.colour]} strokeWidth={line * 0.8} />
          <Text
            text={String(mark.number)}
            x={-r}
            y={-r * 0.55}
            width={2 * r}
            align="center"
            fontSize={r * 1.15}
            fontStyle="bold"
            fontFamily={FONT}
            fill={OUTLINES[mark.colour]}
          />
        </Group>
      );
    }
    case 'text':
      return (
        <Text
          x={mark.x * width}
          y={mark.y * height}
          text={mark.text}
          fontSize={Math.max(18, width / 40)}
          fontStyle="bold"
          fontFamily={FONT}
          fill={COLOURS[mark.colour]}
          stroke={OUTLINES[mark.colour]}
          strokeWidth={line * 1.2}
          fillAfterStrokeEnabled
        />
      );
    case 'blur':
      return <Blurred mark={mark} image={image} width={width} height={height} />;
  }
}

interface BlurredProps {
  readonly mark: Extract<PictureMark, { kind: 'blur' }>;
  readonly image: HTMLImageElement;
  readonly width: number;
  readonly height: number;
}

/** A piece of the photo in coarse squares; what was under it cannot be read back from the stored drawing. */
function Blurred({ mark, image, width, height }: BlurredProps) {
  const node = useRef<Konva.Image>(null);
  const box = {
    x: Math.min(mark.x, mark.x + mark.width) * width,
    y: Math.min(mark.y, mark.y + mark.height) * height,
    width: Math.abs(mark.width * width),
    height: Math.abs(mark.height * height),
  };
  const empty = box.width < 2 || box.height < 2;
  useEffect(() => {
    if (empty || !node.current) return;
    node.current.cache();
    node.current.getLayer()?.batchDraw();
  });
  if (empty) return null;
  const crop = {
    x: (box.x / width) * image.width,
    y: (box.y / height) * image.height,
    width: (box.width / width) * image.width,
    height: (box.height / height) * image.height,
  };
  return (
    <>
      <CanvasImage
        ref={node}
        image={image}
        {...box}
        crop={crop}
        filters={[Konva.Filters.Pixelate]}
        pixelSize={Math.max(10, Math.round(width / 50))}
      />
      <Rect {...box} stroke="#fffdf8" strokeWidth={1} opacity={0.6} />
    </>
  );
}
