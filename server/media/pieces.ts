/** Puts pieces of any size together to pictures of `size` bytes; `hear` gets each, and may keep it only by copying. */
export function picturesOf(size: number, hear: (picture: Uint8Array) => void): (piece: Uint8Array) => void {
  const picture = new Uint8Array(size);
  let filled = 0;
  return (piece) => {
    for (let at = 0; at < piece.length;) {
      const taken = Math.min(size - filled, piece.length - at);
      picture.set(piece.subarray(at, at + taken), filled);
      filled += taken;
      at += taken;
      if (filled < size) return;
      filled = 0;
      hear(picture);
    }
  };
}
