import { POSES } from '../model/faces';
import { poseDrawing } from './pose-drawing';

/** The outermost coordinates of a path of absolute moves and relative sides. */
const boxOf = (d: string) => {
  const [, x = '', y = '', width = '', height = ''] = /^M([\d.-]+) ([\d.-]+)h([\d.-]+)v([\d.-]+)/.exec(d) ?? [];
  return { left: Number(x), top: Number(y), right: Number(x) + Number(width), bottom: Number(y) + Number(height) };
};

test('the face is where the pose says, and the housing touches the bench', () => {
  for (const pose of POSES) {
    const drawing = poseDrawing(pose);
    if (pose === 'as-fitted') {
      expect(drawing).toBeUndefined();
      continue;
    }
    const body = boxOf(drawing?.shapes.find(({ tone }) => tone === 'piece')?.d ?? '');
    const face = boxOf(drawing?.shapes.find(({ tone }) => tone === 'current')?.d ?? '');
    expect(Math.max(body.bottom, face.bottom)).toBe(96);
    if (pose === 'face-up') expect(face.bottom).toBe(body.top);
    if (pose === 'face-down') expect(face.top).toBe(body.bottom);
    if (pose === 'on-its-side') expect(face.left).toBe(body.right);
  }
});
