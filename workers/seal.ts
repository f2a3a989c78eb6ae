import type { SealAnswer, SealTask } from './seal.worker';
import type { NotOpened } from './sealed/seal';

const HEADS = ['age-encryption.org/', '-----BEGIN AGE'];

/** Whether a file is locked with a passphrase. */
export async function isSealed(file: Blob): Promise<boolean> {
  const head = new TextDecoder().decode(await file.slice(0, 20).arrayBuffer());
  return HEADS.some((one) => head.startsWith(one.slice(0, 20)));
}

function ask(task: SealTask): Promise<SealAnswer> {
  const worker = new Worker(new URL('./seal.worker', import.meta.url));
  return new Promise<SealAnswer>((resolve) => {
    worker.onmessage = ({ data }: MessageEvent<SealAnswer>) => resolve(data);
    worker.onerror = () => resolve({ not: 'failed' });
    worker.postMessage(task);
  }).finally(() => worker.terminate());
}

/** A file locked with a passphrase; null where that could not be done. */
export async function sealed(file: Blob, passphrase: string): Promise<Blob | null> {
  const answer = await ask({ does: 'seal', file, passphrase });
  return 'file' in answer ? answer.file : null;
}

/** What a locked file holds, or why it does not open. */
export async function unsealed(
  file: Blob,
  passphrase: string,
): Promise<Blob | NotOpened | 'failed'> {
  const answer = await ask({ does: 'unseal', file, passphrase });
  return 'file' in answer ? answer.file : answer.not;
}
