import { useEffect } from 'react';
import { useBenchView } from '../../../state/bench-view';
import './themes.css';

/** Gives the bench its light, for as long as it is open. */
export function useBenchTheme(): void {
  const theme = useBenchView((state) => state.theme);
  useEffect(() => {
    document.documentElement.dataset.benchTheme = theme;
    return () => {
      delete document.documentElement.dataset.benchTheme;
    };
  }, [theme]);
}

/** Keeps the screen on while a job is in hand, where the browser can; asked for again when the page is seen again. */
export function useScreenAwake(isOn: boolean): void {
  useEffect(() => {
    if (!isOn || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let isOver = false;
    const ask = async () => {
      if (document.visibilityState !== 'visible') return;
      lock = await navigator.wakeLock.request('screen').catch(() => undefined);
      if (isOver) void lock?.release();
    };
    void ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [isOn]);
}
