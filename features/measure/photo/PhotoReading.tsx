import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import type { Body } from '@/core/body/body';
import { measuringFigure } from '@/core/measure/figures';
import { levelFrom, readPhoto } from '@/core/measure/photo';
import type { PhotoWay, Spot } from '@/core/protocols/photoWay';
import type { Protocol } from '@/core/protocols/protocols';
import { Chips, Press, Tick } from '@/ui/Press';
import { Aside, Words } from '@/ui/Words';
import { chooseFile } from '../../data/files';
import type { PictureToKeep } from '@/store/measuring';
import { Camera } from './Camera';
import { DrawnPicture } from './DrawnPicture';
import { openPicture, smallCopy, type Picture } from './openPicture';
import { PictureBoard, type Mark } from './PictureBoard';

interface PhotoReadingProps {
  readonly way: PhotoWay;
  readonly protocol: Protocol;
  readonly body: Body;
  /** Around this value a figure is drawn, to try the method on. */
  readonly usual: number;
  /** Answers whether the reading can stand; if not, the points may be moved again. */
  readonly onTaken: (value: number, sem: number, keep: PictureToKeep | null) => boolean;
}

const levels = [
  { id: 'straight', words: 'Picture is straight' },
  { id: 'level', words: 'Lay a floor edge' },
  { id: 'plumb', words: 'Lay a plumb line' },
] as const;
type Level = (typeof levels)[number]['id'];

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

/** An angle from a picture: taken, chosen or drawn; two or three points; its error told; the picture dropped unless kept. */
export function PhotoReading({ way, protocol, body, usual, onTaken }: PhotoReadingProps) {
  const [picture, setPicture] = useState<Picture | null>(null);
  const [points, setPoints] = useState<readonly Spot[]>([]);
  const [level, setLevel] = useState<Level>('straight');
  const [ends, setEnds] = useState<readonly Spot[]>([]);
  const [camera, setCamera] = useState(false);
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const [keep, setKeep] = useState(false);
  /** The value of a drawn figure: told only after it was read. */
  const [drawn, setDrawn] = useState<{ readonly value: number; readonly made: boolean } | null>(
    null,
  );
  const [told, setTold] = useState<string | null>(null);
  const address = useRef<string | null>(null);
  useEffect(
    () => () => {
      if (address.current) URL.revokeObjectURL(address.current);
    },
    [],
  );

  const show = (next: Picture | null) => {
    if (address.current) URL.revokeObjectURL(address.current);
    address.current = next?.url ?? null;
    setPicture(next);
    setLevel('straight');
    setEnds([]);
    setPoints(next ? begun(way, next) : []);
  };
  const open = async (blob: Blob | null) => {
    setCamera(false);
    if (!blob) return;
    setBusy(true);
    setFault(null);
    const opened = await openPicture(blob);
    setBusy(false);
    if (opened.ok) show(opened.picture);
    else setFault(opened.words);
  };
  const choose = async () => {
    setDrawn(null);
    setTold(null);
    await open(await chooseFile('image/*'));
  };
  const draw = () => {
    setTold(null);
    setFault(null);
    setDrawn({ value: Math.round(usual + (Math.random() - 0.5) * 40), made: false });
  };
  const levelDeg =
    level === 'straight' || ends.length < 2
      ? 0
      : levelFrom(ends[0] as Spot, ends[1] as Spot, level);
  const read = picture ? readPhoto(way, points, levelDeg, body) : null;
  const take = async () => {
    if (!picture || !read) return;
    if (drawn) {
      show(null);
      setDrawn(null);
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
      small ? { ...small, points: points.map(([x, y]) => [x * shrunk, y * shrunk]) } : null,
    );
    if (stands) show(null);
  };

  const landmarks = points.map((at, i): Mark => ({ id: `p${i}`, name: way.points[i] ?? '', at }));
  const line =
    level === 'straight'
      ? []
      : ends.map((at, i): Mark => ({
          id: `l${i}`,
          name: `${i === 0 ? 'one' : 'other'} end of the ${level === 'level' ? 'floor edge' : 'plumb line'}`,
          at,
        }));
  const move = (id: string, at: Spot) => {
    const index = Number(id.slice(1));
    const moved = (before: readonly Spot[]) => before.map((one, i) => (i === index ? at : one));
    if (id.startsWith('p')) setPoints(moved);
    else setEnds(moved);
  };
  const figure = drawn && !drawn.made ? measuringFigure(protocol.id, drawn.value, body) : undefined;
  return (
    <View className="gap-3">
      {figure ? (
        <DrawnPicture
          figure={figure}
          body={body}
          onPicture={(blob) => {
            setDrawn((before) => before && { ...before, made: true });
            void open(blob);
          }}
        />
      ) : null}
      {fault ? (
        <Words role="alert" className="text-rust">
          {fault}
        </Words>
      ) : null}
      {told ? <Words role="status">{told}</Words> : null}
      {busy ? <Words role="status">Opening the picture…</Words> : null}
      {picture ? (
        <>
          <Words>
            Drag each point to its place: {way.points.join(', ')}. Arrow keys move by a hair, with
            Shift by more.
          </Words>
          <PictureBoard picture={picture} landmarks={landmarks} line={line} onMove={move} />
          {way.against ? (
            <Chips
              label="Level"
              options={levels}
              chosen={level}
              onChoose={(next) => {
                setLevel(next);
                setEnds(next === 'straight' ? [] : lineIn(picture, next));
              }}
            />
          ) : null}
          <Words className="text-2xl font-semibold" role="status">
            {read
              ? `${read.deg.toFixed(0)}° ± ${(1.28 * read.semDeg).toFixed(0)}`
              : 'Move the points apart.'}
          </Words>
          {drawn ? <Aside>A drawn figure, to try it on: not a student.</Aside> : null}
          {drawn ? null : (
            <Tick checked={keep} onToggle={() => setKeep(!keep)}>
              Keep the picture with the reading, on this device only
            </Tick>
          )}
          <View className="flex-row flex-wrap gap-2">
            <Press kind="main" disabled={!read} onPress={() => void take()}>
              {drawn ? 'How near was it?' : 'Take this reading'}
            </Press>
            <Press
              onPress={() => {
                show(null);
                setDrawn(null);
              }}
            >
              Drop the picture
            </Press>
          </View>
        </>
      ) : camera ? (
        <Camera onPicture={(blob) => void open(blob)} onClose={() => setCamera(false)} />
      ) : (
        <View className="gap-2">
          <Words>
            From the student’s side, square on, camera at hip height. The picture stays on this
            device and is dropped after the reading.
          </Words>
          <Press
            kind="main"
            disabled={busy}
            onPress={() => {
              setDrawn(null);
              setTold(null);
              setFault(null);
              setCamera(true);
            }}
          >
            Open the camera
          </Press>
          <Press disabled={busy} onPress={() => void choose()}>
            Choose a picture
          </Press>
          <Press kind="quiet" disabled={busy} onPress={draw}>
            Try it on a drawn figure
          </Press>
        </View>
      )}
    </View>
  );
}
