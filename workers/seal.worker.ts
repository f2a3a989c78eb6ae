import { seal, unseal, type NotOpened } from './sealed/seal';

/** Locks a file, or opens one: seconds of work by design, away from the page. */
export interface SealTask {
  readonly does: 'seal' | 'unseal';
  readonly file: Blob;
  readonly passphrase: string;
}
export type SealAnswer = { readonly file: Blob } | { readonly not: NotOpened | 'failed' };

async function work({ does, file, passphrase }: SealTask): Promise<SealAnswer> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const made = await (does === 'seal' ? seal : unseal)(bytes, passphrase);
  return typeof made === 'string' ? { not: made } : { file: new Blob([made as BlobPart]) };
}

self.onmessage = ({ data }: MessageEvent<SealTask>) =>
  void work(data)
    .catch((): SealAnswer => ({ not: 'failed' }))
    .then((answer) => self.postMessage(answer));
