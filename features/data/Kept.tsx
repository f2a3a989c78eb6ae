import { useEffect, useState } from 'react';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { takeNewer, useOffline, type Kept as HowKept } from '../offline';

const keptWords: Readonly<Record<HowKept, string>> = {
  ready: 'All of Ojas is on this device: it opens without a network.',
  fetching: 'Ojas is being fetched, to open without a network: stay on it for a moment.',
  failed:
    'Ojas could not be fetched whole: without a network it may not open. It tries again the next time it is opened.',
  impossible:
    'Ojas opens with a network only here: a browser keeps an app from a secure address alone, https or this very device. The camera and the tilt of a phone ask for one too. What you record stays on this device all the same.',
};

const mb = (bytes: number) => `${Math.max(1, Math.round(bytes / 1e6))} MB`;

/** How much of the device is taken, and whether the browser may clear it by itself. */
function useRoom(kept: HowKept): string | null {
  const [words, setWords] = useState<string | null>(null);
  useEffect(() => {
    let stays = true;
    async function ask() {
      const told = await navigator.storage?.estimate?.();
      if (told?.usage === undefined) return;
      const isSafe = (await navigator.storage.persisted?.()) === true;
      const may = isSafe
        ? 'the browser does not clear it by itself'
        : 'the browser may clear it when the device is full: save a backup now and then';
      if (stays) setWords(`Records and app take about ${mb(told.usage)} here; ${may}.`);
    }
    ask().catch(() => undefined);
    return () => {
      stays = false;
    };
  }, [kept]);
  return words;
}

/** Whether the app opens without a network, what it takes, and whether a newer one waits. */
export function Kept() {
  const { kept, newer, install } = useOffline();
  const room = useRoom(kept);
  return (
    <Sheet role="region" aria-label="Without a network">
      <Title level={2}>Without a network</Title>
      <Words>{keptWords[kept]}</Words>
      {newer ? (
        <>
          <Words>A newer Ojas is here, whole. The page begins anew with it.</Words>
          <Press kind="main" onPress={takeNewer}>
            Take the newer one
          </Press>
        </>
      ) : null}
      {install ? <Press onPress={install}>Put Ojas among your apps</Press> : null}
      {room ? <Aside>{room}</Aside> : null}
    </Sheet>
  );
}
