import type { Body } from '@/core/body/body';
import type { Protocol } from '@/core/protocols/protocols';
import type { PictureToKeep } from '@/store/measuring';
import { useEffect, useRef, useState } from 'react';
import { measuringFigure } from '@/core/measure/figures';
import { levelFrom, levelHeld, readPhoto, straight, type PictureLevel } from '@/core/measure/photo';
import type { TiltSample } from '@/core/measure/tilt';
import type { PhotoWay, Spot } from '@/core/protocols/photoWay';
import { chooseFile } from '../../data/files';
import { phoneSensor } from '../tilt/sources';
import { openPicture, smallCopy, type Picture } from './openPicture';
import type { Mark } from './PictureBoard';

export interface PhotoReadingProps {
  readonly way: PhotoWay;
  readonly protocol: Protocol;
  readonly body: Body;
  /** Around this value a figure is drawn, to try the method on. */
  readonly usual: number;
  /** Answers whether the reading can stand; if not, the points may be moved again. */
  readonly onTaken: (value: number, sem: number, keep: PictureToKeep | null) => boolean;
}

const levels = [
  { id: 'phone', words: 'As the phone was held' },
  { id: 'straight', words: 'Picture is straight' },
  { id: 'level', words: 'Lay a floor edge' },
  { id: 'plumb', words: 'Lay a plumb line' },
] as const;
export type Level = (typeof levels)[number]['id'];

/** Points begin aslant across the middle, far enough apart to be told by their names and taken hold of. */
const begun = ({ points }: PhotoWay, { widthPx, heightPx }: Picture): Spot[] =>
  points.map((_, i) => [
    widthPx * (0.3 + (0.4 * i) / Math.max(1, points.length - 1)),
    heightPx * (0.35 + (0.3 * i) / Math.max(1, points.length - 1)),
  ]);
const lineIn = ({ widthPx, heightPx }: Picture, level: Level): Spot[] =>
  level === 'plumb'
    ? [
        [widthPx * 0.9, heightPx * 0.2],
        [widthPx * 0.9, heightPx * 0.8],
      ]
    : [
        [widthPx * 0.1, heightPx * 0.9],
        [widthPx * 0.9, heightPx * 0.9],
      ];

/** A figure that is drawn to try the method on: its value is told only after it was read. */
interface Drawn {
  readonly value: number;
  readonly made: boolean;
}

/** A picture on the way to being marked, and none is left behind: its address is given back. */
function usePicture(onShown: (picture: Picture | null, heldDeg: number | null) => void) {
  const [picture, setPicture] = useState<Picture | null>(null);
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const address = useRef<string | null>(null);
  useEffect(
    () => () => {
      if (address.current) URL.revokeObjectURL(address.current);
    },
    [],
  );
  const show = (next: Picture | null, heldDeg: number | null = null) => {
    if (address.current) URL.revokeObjectURL(address.current);
    address.current = next?.url ?? null;
    setPicture(next);
    onShown(next, heldDeg);
  };
  const open = async (blob: Blob | null, heldDeg: number | null = null) => {
    if (!blob) return;
    setBusy(true);
    setFault(null);
    const opened = await openPicture(blob);
    setBusy(false);
    if (opened.ok) show(opened.picture, heldDeg);
    else setFault(opened.words);
  };
  return { picture, busy, fault, setFault, show, open };
}

/** The points and the level line of a picture, and the angle that they make. */
function useMarks(way: PhotoWay, body: PhotoReadingProps['body']) {
  const [points, setPoints] = useState<readonly Spot[]>([]);
  const [level, setLevel] = useState<Level>('straight');
  const [ends, setEnds] = useState<readonly Spot[]>([]);
  /** How the phone was held as it took the picture; null where it did not say. */
  const [heldDeg, setHeldDeg] = useState<number | null>(null);
  const known = (): PictureLevel => {
    if (level === 'phone') return { deg: heldDeg ?? 0, by: 'phone' };
    if (level === 'straight' || ends.length < 2) return straight;
    return { deg: levelFrom(ends[0] as Spot, ends[1] as Spot, level), by: 'line' };
  };
  return {
    points,
    level,
    levels: levels.filter(({ id }) => id !== 'phone' || heldDeg !== null),
    read: () => readPhoto(way, points, known(), body),
    begin: (picture: Picture | null, held: number | null) => {
      setLevel(held === null ? 'straight' : 'phone');
      setHeldDeg(held);
      setEnds([]);
      setPoints(picture ? begun(way, picture) : []);
    },
    layLevel: (next: Level, picture: Picture) => {
      setLevel(next);
      setEnds(next === 'level' || next === 'plumb' ? lineIn(picture, next) : []);
    },
    landmarks: points.map((at, i): Mark => ({ id: `p${i}`, name: way.points[i] ?? '', at })),
    line:
      level === 'straight' || level === 'phone'
        ? []
        : ends.map((at, i): Mark => ({
            id: `l${i}`,
            name: `${i === 0 ? 'one' : 'other'} end of the ${level === 'level' ? 'floor edge' : 'plumb line'}`,
            at,
          })),
    move: (id: string, at: Spot) => {
      const index = Number(id.slice(1));
      const moved = (before: readonly Spot[]) => before.map((one, i) => (i === index ? at : one));
      if (id.startsWith('p')) setPoints(moved);
      else setEnds(moved);
    },
  };
}

/** How the phone is held while the camera looks: follows its sensor, where there is one, from the tap that opens both. */
function useHeld() {
  const last = useRef<TiltSample | null>(null);
  const end = useRef<(() => void) | null>(null);
  const stop = () => {
    end.current?.();
    end.current = null;
  };
  useEffect(() => stop, []);
  return {
    stop,
    start: () => {
      stop();
      last.current = null;
      // Without a sensor the picture is taken for straight, or a line is laid on it.
      end.current = phoneSensor(
        (sample) => {
          last.current = sample;
        },
        () => undefined,
      );
    },
    deg: () => last.current && levelHeld(last.current, screen.orientation?.angle ?? 0),
  };
}

/** Everything that reading from a picture needs, and what may be done with it. */
export function usePhoto({ way, protocol, body, usual, onTaken }: PhotoReadingProps) {
  const marks = useMarks(way, body);
  const { picture, busy, fault, setFault, show, open } = usePicture(marks.begin);
  const held = useHeld();
  const [camera, setCamera] = useState(false);
  const [keep, setKeep] = useState(false);
  const [drawn, setDrawn] = useState<Drawn | null>(null);
  const [told, setTold] = useState<string | null>(null);
  const read = picture ? marks.read() : null;
  const anew = (next: { readonly camera?: boolean; readonly drawn?: Drawn } = {}) => {
    setTold(null);
    setFault(null);
    setDrawn(next.drawn ?? null);
    setCamera(next.camera ?? false);
  };
  const drop = () => {
    show(null);
    setDrawn(null);
  };
  const take = async () => {
    if (!picture || !read) return;
    if (drawn) {
      drop();
      setTold(
        `Drawn at ${drawn.value}°, read as ${read.deg.toFixed(0)}° ± ${(1.28 * read.semDeg).toFixed(0)}. A drawn figure is no student: this counts for nothing.`,
      );
      return;
    }
    const small = keep ? await smallCopy(picture.blob) : null;
    const shrunk = small ? small.widthPx / picture.widthPx : 1;
    const stands = onTaken(
      Math.round(read.deg * 2) / 2,
      Math.round(read.semDeg * 10) / 10,
      small ? { ...small, points: marks.points.map(([x, y]) => [x * shrunk, y * shrunk]) } : null,
    );
    if (stands) show(null);
  };
  return {
    way,
    marks,
    picture,
    busy,
    fault,
    camera,
    keep,
    told,
    read,
    isDrawn: drawn !== null,
    /** To be drawn and opened as a picture. */
    figure: drawn && !drawn.made ? measuringFigure(protocol.id, drawn.value, body) : undefined,
    toggleKeep: () => setKeep(!keep),
    openCamera: () => {
      held.start();
      anew({ camera: true });
    },
    closeCamera: () => {
      held.stop();
      setCamera(false);
    },
    /** As the shutter goes: how the phone is held now. */
    heldDeg: held.deg,
    taken: (blob: Blob | null, heldDeg: number | null) => {
      held.stop();
      setCamera(false);
      return open(blob, heldDeg);
    },
    choose: async () => {
      setDrawn(null);
      setTold(null);
      await open(await chooseFile('image/*'));
    },
    draw: () =>
      anew({ drawn: { value: Math.round(usual + (Math.random() - 0.5) * 40), made: false } }),
    drawnAs: (blob: Blob) => {
      setDrawn((before) => before && { ...before, made: true });
      void open(blob);
    },
    drop,
    take,
  };
}
export type Photo = ReturnType<typeof usePhoto>;
