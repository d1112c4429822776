import type { Faces } from '../../model/faces';
import { poseSaid } from './pose-words';

const facing = (end: string, is: 'up' | 'down'): Faces => ({ end, toward: { is } });

test.each([
  ['on a cloth, on its side', undefined, 'on-its-side'],
  ['upside down', undefined, 'face-down'],
  ['on its back', undefined, 'face-up'],
  ['on the bench', facing('ports', 'up'), 'face-up'],
  ['on the bench', facing('sealing face', 'down'), 'face-down'],
  ['on the bench', facing('arrow', 'up'), undefined],
  ['on the bench', undefined, undefined],
] as const)('"%s" %j lies %s', (detail, faces, pose) => {
  expect(poseSaid(detail, faces)).toBe(pose);
});
