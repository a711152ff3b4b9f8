import { useEffect, useRef, useState, type SyntheticEvent } from 'react';

interface SteadyVideoProps {
  /** Where the video is; another address shows the same frames and perhaps more. */
  address: string;
  name: string;
  /** Which moment is shown. */
  seconds: number;
  onLength: (seconds: number) => void;
  onFault: (address: string) => void;
}

/**
 * A video at a moment. Where its address becomes another one, the picture stays until that one shows the same moment: nothing goes blank
 * under whoever is about to tap on it.
 */
export function SteadyVideo({ address, name, seconds, onLength, onFault }: SteadyVideoProps) {
  const [shown, setShown] = useState(address);
  const video = useRef<HTMLVideoElement>(null);
  useEffect(() => {
    const picture = video.current;
    if (picture && picture.readyState > 0 && Math.abs(picture.currentTime - seconds) > 0.001) picture.currentTime = seconds;
  }, [seconds, shown]);
  const loaded = ({ currentTarget }: SyntheticEvent<HTMLVideoElement>): void => {
    if (Number.isFinite(currentTarget.duration)) onLength(currentTarget.duration);
    currentTarget.currentTime = seconds;
  };
  return [...new Set([shown, address])].map((one) => (
    <video
      key={one}
      ref={one === shown ? video : undefined}
      src={one}
      muted
      playsInline
      preload="auto"
      className={`block max-h-[52dvh] max-w-full ${one === shown ? '' : 'pointer-events-none absolute inset-0 opacity-0'}`}
      {...(one === shown ? { 'aria-label': name } : { 'aria-hidden': true })}
      onLoadedMetadata={loaded}
      onSeeked={() => one === address && setShown(one)}
      onError={() => {
        // What is shown no more and does not load is no loss.
        if (one === address) onFault(one);
      }}
    />
  ));
}
