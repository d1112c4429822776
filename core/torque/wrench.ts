import type { Tool } from '../model/series';
import { inSi, type Quantity, readQuantity } from '../quantity/quantity';
import { isTorqueTool } from '../reading/en/wording';
import { rangeIn } from './plausible';

export function isTorque(tool: Tool): boolean {
  return tool.kind === 'torque' || isTorqueTool(tool.name);
}

/** The range of a torque tool: as said, or as its size tells. */
export function torqueRange(tool: Tool): { from: Quantity; to: Quantity } | undefined {
  return (
    tool.range ??
    rangeIn(tool.size ?? tool.name, (words) => {
      const reading = readQuantity(words, 'torque');
      return reading.ok ? reading.quantity : undefined;
    })
  );
}

/** Whether a tool is a torque tool whose range reaches over a figure. */
export function bears(tool: Tool, figure: Quantity): boolean {
  const range = isTorque(tool) ? torqueRange(tool) : undefined;
  return range !== undefined && inSi(figure) >= inSi(range.from) && inSi(figure) <= inSi(range.to);
}
