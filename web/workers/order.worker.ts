import { expose } from 'comlink';
import { fewestToolChanges } from '#core/reach/tool-order';

/** Weighing orders takes long for long stages, so it is done beside the screen. */
const orders = { fewestToolChanges };
export type Orders = typeof orders;
expose(orders);
