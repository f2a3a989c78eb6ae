import { armor, Decrypter, Encrypter } from 'age-encryption';

/** Bytes locked with a passphrase, in the open age format. */
export async function seal(
  bytes: Uint8Array,
  passphrase: string,
  workFactor?: number,
): Promise<Uint8Array> {
  const lock = new Encrypter();
  if (workFactor !== undefined) lock.setScryptWorkFactor(workFactor);
  lock.setPassphrase(passphrase);
  return lock.encrypt(bytes);
}

/** Why a file does not open. */
export type NotOpened = 'passphrase' | 'damaged';

const LETTERS = '-----BEGIN AGE';
/** The same file written in letters, as some programs do. */
const inBytes = (bytes: Uint8Array): Uint8Array =>
  new TextDecoder().decode(bytes.subarray(0, LETTERS.length)) === LETTERS
    ? armor.decode(new TextDecoder().decode(bytes))
    : bytes;

/** What was locked; or whether it is the passphrase or the file that is wrong. */
export async function unseal(
  bytes: Uint8Array,
  passphrase: string,
): Promise<Uint8Array | NotOpened> {
  const key = new Decrypter();
  key.addPassphrase(passphrase);
  try {
    return await key.decrypt(inBytes(bytes));
  } catch (error) {
    return String(error).includes('no identity matched') ? 'passphrase' : 'damaged';
  }
}
