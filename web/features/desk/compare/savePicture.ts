/** The canvases of a comparison as one picture: beside each other at one height, or over each other. */
export async function comparisonPicture(
  canvases: readonly HTMLCanvasElement[],
  mirrored: readonly boolean[],
  over: number | null,
): Promise<Blob | null> {
  const height = Math.max(...canvases.map((canvas) => canvas.height));
  const widths = canvases.map((canvas) => Math.round((canvas.width * height) / canvas.height));
  const picture = document.createElement('canvas');
  picture.height = height;
  picture.width = over === null ? widths.reduce((sum, width) => sum + width, 0) : Math.max(...widths);
  const context = picture.getContext('2d')!;
  let x = 0;
  canvases.forEach((canvas, i) => {
    const width = widths[i]!;
    context.save();
    context.globalAlpha = over === null || i === 0 ? 1 : over;
    context.translate(x + (mirrored[i] ? width : 0), 0);
    context.scale(mirrored[i] ? -1 : 1, 1);
    context.drawImage(canvas, 0, 0, width, height);
    context.restore();
    if (over === null) x += width;
  });
  return new Promise((resolve) => picture.toBlob(resolve, 'image/png'));
}
