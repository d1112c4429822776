import type { Procedure } from '../model/procedure';
import type { Edit } from './edit';

/** Does a step together with the one before it, one place after the other; a block of its own begins where none is. */
export function joiningBlock(
  { steps, blocks = [] }: Procedure,
  stepId: string,
  positionIds: readonly string[],
): Edit[] {
  const index = steps.findIndex(({ id }) => id === stepId);
  const before = steps[index - 1];
  if (!before || positionIds.length === 0) return [];
  const inBlock = (id: string, blockId: string): Edit => ({ kind: 'change', stepId: id, fields: { blockId } });
  if (before.blockId) return [inBlock(stepId, before.blockId)];
  const id = `block-${before.id}`.slice(0, 64);
  const others = blocks.filter((block) => block.id !== id);
  return [
    { kind: 'change-procedure', fields: { blocks: [...others, { id, positionIds: [...positionIds] }] } },
    inBlock(before.id, id),
    inBlock(stepId, id),
  ];
}

/** Takes a step out of its block; one step alone is no block. */
export function leavingBlock({ steps, blocks = [] }: Procedure, stepId: string): Edit[] {
  const blockId = steps.find(({ id }) => id === stepId)?.blockId;
  if (!blockId) return [];
  const together = steps.filter((step) => step.blockId === blockId);
  const leaving = together.length > 2 ? together.filter(({ id }) => id === stepId) : together;
  const rest = leaving.length === together.length ? blocks.filter(({ id }) => id !== blockId) : blocks;
  return [
    ...leaving.map(({ id }): Edit => ({ kind: 'change', stepId: id, fields: { blockId: undefined } })),
    ...(rest === blocks
      ? []
      : [{ kind: 'change-procedure' as const, fields: { blocks: rest.length > 0 ? rest : undefined } }]),
  ];
}
