import type { PictureDone, PictureTask } from '@/workers/picture.worker';

/** A picture ready to be marked. Its address must be given back when it is dropped. */
export interface Picture {
  readonly url: string;
  readonly blob: Blob;
  readonly widthPx: number;
  readonly heightPx: number;
}

export type Opened =
  { readonly ok: true; readonly picture: Picture } | { readonly ok: false; readonly words: string };

const MOST_BYTES = 60 * 1024 * 1024;
const MOST_PX = 1600;
const MOST_MS = 20_000;
const HINT = 'Choose a JPEG, PNG or WebP picture, or take one here.';

/** What the first bytes say that a file is; a name or a type can be wrong. */
function kindOf(head: Uint8Array): 'picture' | 'heic' | 'other' {
  const text = String.fromCharCode(...head);
  if (
    (head[0] === 0xff && head[1] === 0xd8) ||
    text.startsWith('\x89PNG') ||
    (text.startsWith('RIFF') && text.slice(8, 12) === 'WEBP') ||
    text.startsWith('GIF8') ||
    text.startsWith('BM')
  )
    return 'picture';
  return text.slice(4, 8) === 'ftyp' && /hei[cfx]|mif1|msf1/.test(text.slice(8, 12))
    ? 'heic'
    : 'other';
}

/** Opens a chosen or taken picture: checked, turned upright, and scaled away from the main thread. */
export async function openPicture(file: Blob): Promise<Opened> {
  if (file.size === 0) return { ok: false, words: `This file is empty. ${HINT}` };
  if (file.size > MOST_BYTES)
    return {
      ok: false,
      words: `This file has ${Math.round(file.size / 1024 / 1024)} MB, more than the 60 MB that can be opened here. Choose a smaller picture.`,
    };
  const kind = kindOf(new Uint8Array(await file.slice(0, 16).arrayBuffer()));
  // Some browsers read this kind and some do not: it is tried, and told apart only when it fails.
  if (kind === 'other') return { ok: false, words: `This file is no picture. ${HINT}` };
  const done = await inWorker({ file, mostPx: MOST_PX });
  if (!done.ok)
    return {
      ok: false,
      words:
        kind === 'heic'
          ? `This browser does not read HEIC pictures. ${HINT}`
          : `This picture is broken or too large to open. ${HINT}`,
    };
  return {
    ok: true,
    picture: {
      url: URL.createObjectURL(done.blob),
      blob: done.blob,
      widthPx: done.widthPx,
      heightPx: done.heightPx,
    },
  };
}

/** A smaller copy of a picture, to be kept with its reading. */
export async function smallCopy(
  blob: Blob,
  mostPx = 640,
): Promise<{ dataUrl: string; widthPx: number; heightPx: number } | null> {
  const done = await inWorker({ file: blob, mostPx });
  if (!done.ok) return null;
  const dataUrl = await new Promise<string>((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.onerror = () => reject(reader.error);
    reader.readAsDataURL(done.blob);
  });
  return { dataUrl, widthPx: done.widthPx, heightPx: done.heightPx };
}

function inWorker(task: PictureTask): Promise<PictureDone> {
  return new Promise((resolve) => {
    const worker = new Worker(new URL('../../../workers/picture.worker', import.meta.url));
    const answer = (done: PictureDone) => {
      clearTimeout(tooLong);
      worker.terminate();
      resolve(done);
    };
    const tooLong = setTimeout(() => answer({ ok: false }), MOST_MS);
    worker.onmessage = ({ data }: MessageEvent<PictureDone>) => answer(data);
    worker.onerror = () => answer({ ok: false });
    worker.postMessage(task);
  });
}
