/** m:ss of a time in seconds; tenths with `tenths`. Negative times show a leading minus. */
export function clockText(seconds: number, tenths = false): string {
  if (!Number.isFinite(seconds)) return '–:––';
  const sign = seconds < 0 ? '−' : '';
  const units = Math.floor(Math.abs(seconds) * (tenths ? 10 : 1) + 1e-6);
  const whole = tenths ? Math.floor(units / 10) : units;
  const minutes = Math.floor(whole / 60);
  const rest = String(whole % 60).padStart(2, '0');
  return `${sign}${minutes}:${rest}${tenths ? `.${units % 10}` : ''}`;
}

/** A duration as a person says it: "45 s", "2 min", "1 h 10 min". Seconds are given below one and a half minutes only. */
export function durationText(seconds: number): string {
  if (!Number.isFinite(seconds) || seconds < 0) return 'unknown';
  if (seconds < 90) return `${Math.round(seconds)} s`;
  const minutes = Math.round(seconds / 60);
  if (minutes < 60) return `${minutes} min`;
  return minutes % 60 === 0 ? `${minutes / 60} h` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
}
