import { View } from 'react-native';
import { Chips, Press, Tick } from '@/ui/Press';
import { Aside, Words } from '@/ui/Words';
import { Camera } from './Camera';
import { DrawnPicture } from './DrawnPicture';
import type { Picture } from './openPicture';
import { PictureBoard } from './PictureBoard';
import { usePhoto, type Photo, type PhotoReadingProps } from './usePhoto';

/**
 * An angle from a picture: taken, chosen or drawn; two or three points; its error told; the picture dropped unless
 * kept.
 */
export function PhotoReading(props: PhotoReadingProps) {
  const photo = usePhoto(props);
  const { figure, fault, told, busy, picture, camera } = photo;
  return (
    <View className="gap-3">
      {figure ? <DrawnPicture figure={figure} body={props.body} onPicture={photo.drawnAs} /> : null}
      {fault ? (
        <Words role="alert" className="text-rust">
          {fault}
        </Words>
      ) : null}
      {told ? <Words role="status">{told}</Words> : null}
      {busy ? <Words role="status">Opening the picture…</Words> : null}
      {picture ? (
        <Marking photo={photo} picture={picture} />
      ) : camera ? (
        <Camera
          from={props.way.camera}
          heldDeg={photo.heldDeg}
          onPicture={(blob, heldDeg) => void photo.taken(blob, heldDeg)}
          onClose={photo.closeCamera}
        />
      ) : (
        <Begin photo={photo} from={props.way.camera} />
      )}
    </View>
  );
}

/** The picture under its points, and what they say. */
function Marking({ photo, picture }: { readonly photo: Photo; readonly picture: Picture }) {
  const { way, marks, read, isDrawn, keep } = photo;
  return (
    <>
      <Words>
        Drag each point to its place: {way.points.join(', ')}. Arrow keys move by a hair, with Shift
        by more.
      </Words>
      <PictureBoard
        picture={picture}
        landmarks={marks.landmarks}
        line={marks.line}
        onMove={marks.move}
      />
      {way.against ? (
        <Chips
          label="Level"
          options={marks.levels}
          chosen={marks.level}
          onChoose={(next) => marks.layLevel(next, picture)}
        />
      ) : null}
      <Words className="text-2xl font-semibold" role="status">
        {read
          ? `${read.deg.toFixed(0)}° ± ${(1.28 * read.semDeg).toFixed(0)}`
          : 'Move the points apart.'}
      </Words>
      {isDrawn ? (
        <Aside>A drawn figure, to try it on: not a student.</Aside>
      ) : (
        <Tick checked={keep} onToggle={photo.toggleKeep}>
          Keep the picture with the reading, on this device only
        </Tick>
      )}
      <View className="flex-row flex-wrap gap-2">
        <Press kind="main" disabled={!read} onPress={() => void photo.take()}>
          {isDrawn ? 'How near was it?' : 'Take this reading'}
        </Press>
        <Press onPress={photo.drop}>Drop the picture</Press>
      </View>
    </>
  );
}

/** Where a picture may come from. */
const Begin = ({
  photo: { busy, ...photo },
  from,
}: {
  readonly photo: Photo;
  readonly from: string;
}) => (
  <View className="gap-2">
    <Words>{from} The picture stays on this device and is dropped after the reading.</Words>
    <Press kind="main" disabled={busy} onPress={photo.openCamera}>
      Open the camera
    </Press>
    <Press disabled={busy} onPress={() => void photo.choose()}>
      Choose a picture
    </Press>
    <Press kind="quiet" disabled={busy} onPress={photo.draw}>
      Try it on a drawn figure
    </Press>
  </View>
);
