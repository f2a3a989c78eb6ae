import { useEffect, useMemo, useRef, useState } from 'react';
import { TiltReader, type Edge, type TiltView, type Zeroed } from '@/core/measure/tilt';
import type { Lies } from '@/core/protocols/tiltWay';
import type { TiltSource, Trouble } from './sources';

/** Why there is no new zero yet, and what it waits for. */
export type NoZero =
  | Exclude<Zeroed, { is: 'zeroed' }>
  /** It was laid otherwise than the range is read. */
  | { readonly is: 'lies otherwise'; readonly lies: Lies };

/**
 * A running sensor: those who show its angle follow it by themselves, so that nothing else is drawn sixty times a
 * second.
 */
export interface Tilt {
  readonly running: boolean;
  readonly trouble: Trouble | null;
  /** How the phone lay when it was zeroed; null before that. */
  readonly zeroed: Lies | null;
  /** What keeps the zero that was asked for from being taken; null where none is asked for. */
  readonly noZero: NoZero | null;
  readonly edge: Edge;
  start(source: TiltSource): void;
  stop(): void;
  setEdge(edge: Edge): void;
  /** Zeroes it as it lies there, as soon as it is still; a slope is taken only where it is meant. */
  zero(lies: Lies, isMeant?: boolean): void;
  /** The reading of this instant, by hand, and how far it is turned on its side. */
  now(): { readonly deg: number; readonly skewDeg: number } | null;
  /** Tells each new view; answers how to stop following. */
  follow(listener: (view: TiltView) => void): () => void;
}

/** Keeps one sensor through all ranges of a visit, with its zero. */
export function useTilt(): Tilt {
  const [running, setRunning] = useState(false);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const [zeroed, setZeroed] = useState<Lies | null>(null);
  const [noZero, setNoZero] = useState<NoZero | null>(null);
  const [edge, setEdgeState] = useState<Edge>('long');
  const reader = useRef(new TiltReader());
  const stopSource = useRef<(() => void) | null>(null);
  const wanted = useRef<{ readonly lies: Lies; readonly isMeant: boolean } | null>(null);
  const listeners = useRef(new Set<(view: TiltView) => void>());

  useEffect(() => () => stopSource.current?.(), []);
  return useMemo((): Tilt => {
    const stop = () => {
      stopSource.current?.();
      stopSource.current = null;
      setRunning(false);
    };
    const afresh = (next: Edge) => {
      reader.current = new TiltReader(next);
      wanted.current = null;
      setZeroed(null);
      setNoZero(null);
    };
    const tryZero = () => {
      if (!wanted.current) return;
      const { lies, isMeant } = wanted.current;
      const outcome = reader.current.zero(isMeant);
      // A tap shakes it: it is taken once it lies still again.
      if (outcome.is === 'moving') return setNoZero(outcome);
      wanted.current = null;
      const isSo = outcome.is === 'zeroed' && outcome.lies === lies;
      if (isSo) setZeroed(lies);
      else if (outcome.is === 'zeroed') setZeroed(null);
      setNoZero(
        outcome.is !== 'zeroed'
          ? outcome
          : isSo
            ? null
            : { is: 'lies otherwise', lies: outcome.lies },
      );
    };
    return {
      running,
      trouble,
      zeroed,
      noZero,
      edge,
      stop,
      start: (source) => {
        stop();
        setTrouble(null);
        afresh(edge);
        setRunning(true);
        stopSource.current = source(
          (sample) => {
            const view = reader.current.take(sample);
            tryZero();
            for (const tell of listeners.current) tell(view);
          },
          (told) => {
            stop();
            setTrouble(told);
          },
        );
      },
      setEdge: (next) => {
        setEdgeState(next);
        afresh(next);
      },
      zero: (lies, isMeant = false) => {
        wanted.current = { lies, isMeant };
        tryZero();
      },
      now: () => reader.current.now(),
      follow: (listener) => {
        listeners.current.add(listener);
        return () => void listeners.current.delete(listener);
      },
    };
  }, [running, trouble, zeroed, noZero, edge]);
}
