import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** A pump that is being watched for leaks. */
export interface Watch {
  /** Milliseconds since the epoch. */
  readonly since: number;
  readonly drops: number;
}

/** What is being watched on this device, by job and step; it goes on through a reload. */
export const useWatches = create<Readonly<Record<string, Watch>>>()(persist(() => ({}), { name: 'fukusa-watches' }));

export function setWatch(key: string, watch: Watch | undefined): void {
  const { [key]: _before, ...others } = useWatches.getState();
  useWatches.setState(watch ? { ...others, [key]: watch } : others, true);
}
