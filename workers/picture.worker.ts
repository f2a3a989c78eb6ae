/** Brings a picture to a size that can be marked, away from the main thread. */
export interface PictureTask {
  readonly file: Blob;
  /** Longest side of what comes back. */
  readonly mostPx: number;
}

export type PictureDone =
  | { readonly ok: true; readonly blob: Blob; readonly widthPx: number; readonly heightPx: number }
  | { readonly ok: false };

async function scaled({ file, mostPx }: PictureTask): Promise<PictureDone> {
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const scale = Math.min(1, mostPx / Math.max(bitmap.width, bitmap.height));
  const [widthPx, heightPx] = [Math.round(bitmap.width * scale), Math.round(bitmap.height * scale)];
  const canvas = new OffscreenCanvas(widthPx, heightPx);
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, widthPx, heightPx);
  bitmap.close();
  return {
    ok: true,
    blob: await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.86 }),
    widthPx,
    heightPx,
  };
}

self.onmessage = ({ data }: MessageEvent<PictureTask>) => {
  // A picture that cannot be decoded is an answer, not a crash.
  void scaled(data)
    .catch((): PictureDone => ({ ok: false }))
    .then((done) => self.postMessage(done));
};
