import { type RefObject, useEffect, useRef, useState } from 'react';

/** Browsers lend the camera on https and on this machine only; elsewhere the device's own camera app takes the photo. */
export function hasCamera(): boolean {
  return navigator.mediaDevices?.getUserMedia !== undefined;
}

const BACK = { video: { facingMode: 'environment', width: { ideal: 4096 }, height: { ideal: 3072 } }, audio: false };

/** What the camera at the back sees, in a video element, for as long as that is on the page. */
export function useCamera(): {
  readonly video: RefObject<HTMLVideoElement | null>;
  readonly isReady: boolean;
  readonly isRefused: boolean;
} {
  const video = useRef<HTMLVideoElement>(null);
  const [isReady, setReady] = useState(false);
  const [isRefused, setRefused] = useState(false);
  useEffect(() => {
    let stream: MediaStream | undefined;
    let here = true;
    navigator.mediaDevices.getUserMedia(BACK).then(
      (opened) => {
        stream = opened;
        if (!here || !video.current) return stop(opened);
        video.current.srcObject = opened;
        setReady(true);
      },
      () => setRefused(true),
    );
    return () => {
      here = false;
      if (stream) stop(stream);
    };
  }, []);
  return { video, isReady, isRefused };
}

function stop(stream: MediaStream): void {
  for (const track of stream.getTracks()) track.stop();
}
