import { create } from 'zustand';
import { persist } from 'zustand/middleware';

export const BENCH_THEMES = ['bright', 'dim', 'contrast'] as const;
export type BenchTheme = (typeof BENCH_THEMES)[number];
export const TEXT_SIZES = [1, 1.15, 1.3] as const;
export const HANDS = ['right', 'left'] as const;

interface BenchView {
  readonly hand: (typeof HANDS)[number];
  readonly theme: BenchTheme;
  readonly text: (typeof TEXT_SIZES)[number];
}

/** How the bench is shown on this tablet: for which hand, by which light, how large. */
export const useBenchView = create<BenchView>()(
  persist((): BenchView => ({ hand: 'right', theme: 'bright', text: 1 }), { name: 'fukusa-bench-view' }),
);
