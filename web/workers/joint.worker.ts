import { expose } from 'comlink';
import { compareWays } from '#core/torque/joint';

/** Comparing ways of tightening takes long for many bolts, so it is done beside the screen. */
const joints = { compareWays };
export type Joints = typeof joints;
expose(joints);
