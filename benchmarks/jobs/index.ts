import { PLUNGERS, ROD_VALVES, SEAL_SERVICE, VALVE_SERVICE } from './liquid-end';
import { INTENSIFIER, PACKED_PISTON, SHAFT_SWAP, SPRING_LOADED } from './machines';
import { OTHER_PUMPS } from './other-pumps';
import { CHEMICAL_INJECTION, VALVE_BLOCK } from './small-pumps';
import type { WrittenJob } from './written-job';

/** One job for each family of work that trainers write instructions for, and two on pumps of other kinds. */
export const WRITTEN_JOBS: readonly WrittenJob[] = [
  VALVE_SERVICE,
  ROD_VALVES,
  SEAL_SERVICE,
  PLUNGERS,
  SHAFT_SWAP,
  SPRING_LOADED,
  PACKED_PISTON,
  INTENSIFIER,
  VALVE_BLOCK,
  CHEMICAL_INJECTION,
  ...OTHER_PUMPS,
];
