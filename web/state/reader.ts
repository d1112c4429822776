import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { UnitPreference } from '#core/quantity/preference';

interface Reader {
  /** How the person at this device wants figures shown. */
  readonly units: UnitPreference;
  prefer(units: UnitPreference): void;
}

/** What is a matter of the reader and not of the document; kept on the device. */
export const useReader = create<Reader>()(
  persist((set) => ({ units: 'as-given', prefer: (units) => set({ units }) }), { name: 'fukusa-reader' }),
);
