import type { TiltSample } from '@/core/measure/tilt';
import type { TiltWay } from '@/core/protocols/tiltWay';

/** Why there is no angle, in words for the teacher. */
export type Trouble = 'no-sensor' | 'refused' | 'not-secure';

export const troubleWords: Readonly<Record<Trouble, string>> = {
  'no-sensor':
    'This device shows no tilt: it has no sensor, or the browser keeps it closed. Use the simulated sensor to try it, or read with a protractor.',
  refused:
    'The browser was not allowed to read the tilt. Allow motion and orientation for this page in its settings, then start again; or read with a protractor.',
  'not-secure':
    'Browsers show the tilt only on a secure page (https). Open Ojas that way, or read with a protractor.',
};

/** Begins to send moments; answers how to stop. */
export type TiltSource = (
  onSample: (sample: TiltSample) => void,
  onTrouble: (trouble: Trouble) => void,
) => () => void;

/** A sensor that is there says something within this time. */
const SILENT_MS = 1500;

interface AskedFor {
  /** Only some browsers ask; there it must be called from a tap. */
  readonly requestPermission?: () => Promise<string>;
}

/** The phone's own sensor. Must be started from a tap, since some browsers then ask for leave. */
export const phoneSensor: TiltSource = (onSample, onTrouble) => {
  if (!window.isSecureContext) {
    onTrouble('not-secure');
    return () => undefined;
  }
  if (typeof DeviceOrientationEvent === 'undefined') {
    onTrouble('no-sensor');
    return () => undefined;
  }
  let over = false;
  let heard = false;
  const hear = ({ beta, gamma, timeStamp }: DeviceOrientationEvent) => {
    if (beta === null || gamma === null) return;
    heard = true;
    onSample({ atMs: timeStamp, betaDeg: beta, gammaDeg: gamma });
  };
  const listen = () => {
    if (over) return;
    window.addEventListener('deviceorientation', hear);
    setTimeout(() => {
      if (!over && !heard) onTrouble('no-sensor');
    }, SILENT_MS);
  };
  const ask = (DeviceOrientationEvent as unknown as AskedFor).requestPermission;
  if (ask) {
    void ask.call(DeviceOrientationEvent).then(
      (answer) => (answer === 'granted' ? listen() : onTrouble('refused')),
      () => onTrouble('refused'),
    );
  } else listen();
  return () => {
    over = true;
    window.removeEventListener('deviceorientation', hear);
  };
};

/** What the simulated sensor is set to. */
export interface DialSet {
  /** Turn of the edge from the floor. */
  readonly deg: number;
  /** How far a hand trembles, as a standard deviation. */
  readonly tremorDeg: number;
  /** How the phone would lie. */
  readonly lies: TiltWay['lies'];
}

/** The dial of the simulated sensor: read sixty times a second, so it is no state of a screen. */
export class Dial {
  private now: DialSet = { deg: 0, tremorDeg: 0.15, lies: 'back' };

  get set(): DialSet {
    return this.now;
  }

  turn(change: Partial<DialSet>): void {
    this.now = { ...this.now, ...change };
  }
}

/** A stand-in for desks, the demo and tests: a dial and a trembling hand, sending moments as a phone would. */
export const simulatedSensor =
  (dial: Dial): TiltSource =>
  (onSample) => {
    let tremble = 0;
    let frame = 0;
    const send = (atMs: number) => {
      const { deg, tremorDeg, lies } = dial.set;
      // A hand wanders rather than jumps: each moment keeps most of the last one.
      tremble =
        0.9 * tremble +
        Math.sqrt(1 - 0.9 ** 2) *
          tremorDeg *
          (Math.random() + Math.random() + Math.random() - 1.5) *
          2;
      onSample({ atMs, ...momentOf(deg + tremble, lies) });
      frame = requestAnimationFrame(send);
    };
    frame = requestAnimationFrame(send);
    return () => cancelAnimationFrame(frame);
  };

/** The browser's two angles for an edge that is turned so; on its back they run past upright as a phone's do. */
export function momentOf(
  deg: number,
  lies: TiltWay['lies'],
): { betaDeg: number; gammaDeg: number } {
  if (lies === 'back') return { betaDeg: deg, gammaDeg: 0 };
  // On its long edge, screen to the left: up is ( −cos, sin, 0 ) in the phone's axes.
  const [x, y] = [-Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  const betaDeg = (Math.asin(y) * 180) / Math.PI;
  return { betaDeg, gammaDeg: x > 0 ? -90 : 90 };
}
