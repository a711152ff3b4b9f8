/** Hands what lies at an address to the browser's downloads. */
export function downloadFrom(address: string, name: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
}

/** Hands a file to the browser's downloads. */
export function download(file: Blob, name: string): void {
  const address = URL.createObjectURL(file);
  downloadFrom(address, name);
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}
