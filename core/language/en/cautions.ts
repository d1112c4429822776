import type { Caution, UsualCautionId } from '../../model/procedure';
import type { SignalWord } from '../../model/procedure-words';

/** The usual cautions of the trade. Common practice throughout. */
export const USUAL_CAUTIONS: Readonly<Record<UsualCautionId, { readonly signal: SignalWord; readonly text: string }>> =
  {
    restart: {
      signal: 'DANGER',
      text: 'The drive can start by itself. Isolate, lock out and try to start before you go on.',
    },
    jet: {
      signal: 'DANGER',
      text: 'A fine jet goes through gloves and skin. Release all pressure; keep hands away from joints. An injection is an emergency.',
    },
    controller: {
      signal: 'WARNING',
      text: 'Stopping at the controller is not isolation. Use the master switch or take the battery off.',
    },
    stored: {
      signal: 'WARNING',
      text: 'Pressure stays behind closed valves and in accumulators. Bleed both sides slowly.',
    },
    residue: {
      signal: 'WARNING',
      text: 'Residue can be hot, corrosive or poisonous. Wear gloves and goggles; flush before you open.',
    },
    spring: {
      signal: 'WARNING',
      text: 'Under spring tension. Ease the last two fasteners out together, face away from the axis.',
    },
    heavy: { signal: 'WARNING', text: 'Heavy. Plan the lift and support it before it is free.' },
    pinch: { signal: 'CAUTION', text: 'Fingers are pinched between turning parts. Say aloud before you turn.' },
    splinters: { signal: 'CAUTION', text: 'Ceramic splinters when it breaks. Wear eye protection.' },
    edges: { signal: 'CAUTION', text: 'Edges are sharp. Wear cut-resistant gloves.' },
    hot: { signal: 'CAUTION', text: 'The casing may be hot. Let it cool down or wear heat-proof gloves.' },
    skin: { signal: 'CAUTION', text: 'Irritates skin and eyes. Wear gloves and goggles, and air the room.' },
    air: {
      signal: 'WARNING',
      text: 'Compressed air drives splinters and oil into eyes and skin. Never blow toward anybody.',
    },
    slippery: { signal: 'CAUTION', text: 'Wet castings slip. Dry hands and part before you lift.' },
    pry: {
      signal: 'NOTICE',
      text: 'Pry both sides evenly, a little at a time; one side alone cracks or jams it.',
    },
    scratch: { signal: 'NOTICE', text: 'A scratched bore leaks. No steel tools against sealing faces.' },
    wrench: { signal: 'NOTICE', text: 'Never loosen with the torque wrench; it loses its setting.' },
    onward: { signal: 'NOTICE', text: 'Turn the nut on to the next slot, never back.' },
  };

/** What a caution says. */
export function sayCaution({ text, usual }: Caution): string {
  return text ?? (usual ? USUAL_CAUTIONS[usual].text : '');
}
