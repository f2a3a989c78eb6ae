import { useEffect, useMemo, useRef, useState } from 'react';
import { TiltReader, type Edge, type TiltView } from '@/core/measure/tilt';
import type { TiltWay } from '@/core/protocols/tiltWay';
import type { TiltSource, Trouble } from './sources';

/**
 * A running sensor: those who show its angle follow it by themselves, so that nothing else is drawn sixty times a
 * second.
 */
export interface Tilt {
  readonly running: boolean;
  readonly trouble: Trouble | null;
  /** How the phone lay when it was zeroed; null before that. */
  readonly zeroed: TiltWay['lies'] | null;
  readonly edge: Edge;
  start(source: TiltSource): void;
  stop(): void;
  setEdge(edge: Edge): void;
  zero(lies: TiltWay['lies']): boolean;
  /** The reading of this instant, by hand. */
  now(): number | null;
  /** Tells each new view; answers how to stop following. */
  follow(listener: (view: TiltView) => void): () => void;
}

/** Keeps one sensor through all ranges of a visit, with its zero. */
export function useTilt(): Tilt {
  const [running, setRunning] = useState(false);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const [zeroed, setZeroed] = useState<TiltWay['lies'] | null>(null);
  const [edge, setEdgeState] = useState<Edge>('long');
  const reader = useRef(new TiltReader());
  const stopSource = useRef<(() => void) | null>(null);
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
      setZeroed(null);
    };
    return {
      running,
      trouble,
      zeroed,
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
      zero: (lies) => {
        const done = reader.current.zero();
        if (done) setZeroed(lies);
        return done;
      },
      now: () => reader.current.now(),
      follow: (listener) => {
        listeners.current.add(listener);
        return () => void listeners.current.delete(listener);
      },
    };
  }, [running, trouble, zeroed, edge]);
}
