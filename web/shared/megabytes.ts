/** "47 kB", "12.3 MB", "1.94 GB". */
export const megabytes = (bytes: number): string =>
  bytes < 1e5
    ? `${Math.ceil(bytes / 1e3)} kB`
    : bytes >= 1e9
      ? `${(bytes / 1e9).toFixed(2)} GB`
      : `${(bytes / 1e6).toFixed(bytes < 1e8 ? 1 : 0)} MB`;
