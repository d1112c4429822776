/**
 * From this on a lift wants a plan whoever does it: the guideline filter of HSE INDG143 gives 16 kg for women and 25 kg
 * for men close to the body between knuckle and elbow height. Recalled from memory; local rules come first.
 */
export const PLANNED_LIFT_KG = 16;
