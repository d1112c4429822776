import type { Cause, PointedTo } from '../../judging/causes';

/** What each cause is called, and what to look at next. Common practice. */
const CAUSE_TEXTS: Readonly<Record<Cause, { readonly name: string; readonly todo: string }>> = {
  cavitation: {
    name: 'cavitation',
    todo: 'Check the suction line, filter and height, the temperature of the liquid, and the speed.',
  },
  dirt: { name: 'dirt in the liquid', todo: 'Check the filter and the tank, and flush the lines.' },
  'dry-run': { name: 'a dry run', todo: 'Check what fills and flushes the pump, and whether it can start without it.' },
  'over-pressure': { name: 'too much pressure', todo: 'Check the relief valve and the clearance behind the seals.' },
  'wrong-material': {
    name: 'seals that do not suit the liquid',
    todo: 'Compare the material with the liquid, its temperature and the grease used.',
  },
  misaligned: { name: 'a drive out of line', todo: 'Check coupling, belts and base, and the bearings.' },
  'retightened-packing': {
    name: 'worn packing that was tightened again',
    todo: 'Renew packing and worn part together; tell the operator when to call.',
  },
  'water-in-oil': {
    name: 'water in the oil',
    todo: 'Find the seal that lets it in; change the oil again after a short run.',
  },
  hammering: { name: 'pressure shocks', todo: 'Check the dampener, valve springs and how fast valves close.' },
  'over-tightened': {
    name: 'overtightened joints',
    todo: 'Check figure, unit and wrench; renew the parts that were stretched.',
  },
};

/** "Pitting on valve seat 1; noisy suction: together they point to cavitation." and what to look at. */
export function sayPointedTo({ cause, evidence }: PointedTo): { readonly why: string; readonly todo: string } {
  const said = evidence.map(({ text, part, place }) =>
    [text, [part, place].filter(Boolean).join(' ')].filter(Boolean).join(', '),
  );
  const { name, todo } = CAUSE_TEXTS[cause];
  return { why: `${said.join('; ')}: together they point to ${name}.`, todo };
}
