import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { sayPreferred, type UnitPreference } from '#core/quantity/preference';
import type { Quantity } from '#core/quantity/schema';

interface Reader {
  /** How the person at this device wants figures shown. */
  readonly units: UnitPreference;
  prefer(units: UnitPreference): void;
}

/** What is a matter of the reader and not of the document; kept on the device. */
export const useReader = create<Reader>()(
  persist((set) => ({ units: 'as-given', prefer: (units) => set({ units }) }), { name: 'fukusa-reader' }),
);

/** Says a quantity as the reader prefers it, with the figure as given behind it where the two differ. */
export function useSaid(): (quantity: Quantity) => string {
  const units = useReader((state) => state.units);
  return (quantity) => sayPreferred(quantity, units);
}
