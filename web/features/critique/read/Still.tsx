import { useEffect, useState } from 'react';

/** A still is looked for again this long, in ms, after it could not be had: the footage may be on its way to being ready. */
const lookAgainMs = 4000;

/** A moment's picture; it is looked for again where it is not there yet. */
export function Still({ address, words }: { address: string; words: string }) {
  const [tries, setTries] = useState(0);
  const [missing, setMissing] = useState(false);
  useEffect(() => {
    if (!missing) return;
    const timer = setTimeout(() => {
      setTries((n) => n + 1);
      setMissing(false);
    }, lookAgainMs);
    return () => clearTimeout(timer);
  }, [missing]);
  if (missing)
    return (
      <p className="absolute inset-0 flex items-center justify-center p-6 text-center text-linen">
        The still is not there yet. It is looked for again.
      </p>
    );
  return (
    <img
      src={tries === 0 ? address : `${address}?again=${tries}`}
      alt={words}
      onError={() => setMissing(true)}
      className="absolute inset-0 size-full object-contain"
    />
  );
}
