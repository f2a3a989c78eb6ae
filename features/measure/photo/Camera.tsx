import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { Press } from '@/ui/Press';
import { Words } from '@/ui/Words';

interface CameraProps {
  /** From where, and at which height, it looks. */
  readonly from: string;
  /** How the phone is held at this instant; null where it does not say. */
  readonly heldDeg: () => number | null;
  readonly onPicture: (blob: Blob, heldDeg: number | null) => void;
  readonly onClose: () => void;
}

/** Why there is no camera, in words for the teacher. */
function cameraTrouble(error: unknown): string {
  const name = error instanceof Error ? error.name : '';
  if (name === 'NotAllowedError')
    return 'The browser was not allowed to use the camera. Allow it for this page in its settings, or choose a picture instead.';
  if (name === 'NotFoundError' || name === 'OverconstrainedError')
    return 'There is no camera here. Choose a picture instead.';
  return 'The camera could not be opened; another program may be using it. Close that one, or choose a picture instead.';
}

/** The device's camera, looking at the student; the picture stays on this device. */
export function Camera({ from, heldDeg, onPicture, onClose }: CameraProps) {
  const video = useRef<HTMLVideoElement | null>(null);
  const [ready, setReady] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    let stream: MediaStream | null = null;
    let over = false;
    const open = async () => {
      if (navigator.mediaDevices === undefined) {
        setTrouble(
          'Browsers open the camera only on a secure page (https). Choose a picture instead.',
        );
        return;
      }
      try {
        stream = await navigator.mediaDevices.getUserMedia({
          video: { facingMode: 'environment', width: { ideal: 1920 } },
          audio: false,
        });
        if (over) stream.getTracks().forEach((track) => track.stop());
        else if (video.current) {
          video.current.srcObject = stream;
          await video.current.play();
          setReady(true);
        }
      } catch (error) {
        if (!over) setTrouble(cameraTrouble(error));
      }
    };
    void open();
    return () => {
      over = true;
      stream?.getTracks().forEach((track) => track.stop());
    };
  }, []);
  const take = () => {
    const seen = video.current;
    if (!seen) return;
    const held = heldDeg();
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [seen.videoWidth, seen.videoHeight];
    canvas.getContext('2d')?.drawImage(seen, 0, 0);
    canvas.toBlob(
      (blob) => {
        if (blob) onPicture(blob, held);
      },
      'image/jpeg',
      0.92,
    );
  };
  return (
    <View className="gap-2">
      {trouble ? (
        <Words role="alert" className="text-rust">
          {trouble}
        </Words>
      ) : (
        <video
          ref={video}
          muted
          playsInline
          aria-label="What the camera sees"
          style={{ width: '100%', borderRadius: 6, background: 'rgb(var(--well))' }}
        />
      )}
      {trouble ? null : <Words>{from}</Words>}
      <View className="flex-row flex-wrap gap-2">
        {trouble ? null : (
          <Press kind="main" disabled={!ready} onPress={take}>
            Take the picture
          </Press>
        )}
        <Press onPress={onClose}>Close the camera</Press>
      </View>
    </View>
  );
}
