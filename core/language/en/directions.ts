import type { Clocking, Direction, Faces, PlainDirection } from '../../model/faces';
import { componentById } from '../../model/lookup';
import type { Series } from '../../model/series';

const SAID: Readonly<Record<PlainDirection, string>> = {
  pressure: 'the pressure',
  drive: 'the drive',
  mouth: 'the mouth of the bore',
  bottom: 'the bottom of the bore',
  up: 'up',
  down: 'down',
  any: 'any way',
};

/** "the pressure", "the rotor", "up": where an end looks. */
export function sayDirection(direction: Direction, series: Series): string {
  const name =
    direction.is === 'part'
      ? (direction.said ?? `the ${componentById(series, direction.componentId)?.name ?? 'part'}`)
      : direction.is === 'words'
        ? direction.said
        : (direction.said ?? SAID[direction.is]);
  return direction.away ? `away from ${name}` : name;
}

/** "lip facing the pressure": a facing in a few words. */
export function sayFacing({ end, toward }: Faces, series: Series): string {
  return `${end ? `${end} ` : ''}facing ${sayDirection(toward, series)}`;
}

/** "tab in the slot of the gland": how a part is turned, in words. */
export function sayClocking(clocking: Clocking): string {
  switch (clocking.how) {
    case 'tab-in-slot':
      return `tab in the slot of ${clocking.of}`;
    case 'mark-to-mark':
      return `mark to the mark on ${clocking.of}`;
    case 'staggered':
      return `joints staggered by ${clocking.degrees}°`;
    case 'any':
      return 'turned any way';
  }
}
