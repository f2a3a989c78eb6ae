import { Link, Slot, usePathname } from 'expo-router';
import { useEffect, useSyncExternalStore, type ReactNode } from 'react';
import { Pressable, Text, useWindowDimensions, View } from 'react-native';
import { tone } from '@/ui/tones';
import { Press } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { wantRecords } from '@/store/store';
import { useOjas, useOjasDispatch } from '../hooks';
import { PlaceBoundary } from './Boundary';
import { onPartsWaiting, partsWaiting, tryPartsNow } from './loadAgain';
import { Notices } from './Notices';
import { places } from './places';
import { InSample } from './sample';
import { Shortcuts } from './Shortcuts';
import { recordIn } from '@/core/recordIn';

const WIDE_PX = 900;
export const useWide = () => useWindowDimensions().width >= WIDE_PX;

interface FrameProps {
  readonly hasBar?: boolean;
  /** Nothing is open yet: the places are named, and lead nowhere. */
  readonly waits?: boolean;
  readonly children: ReactNode;
}

/** The bar of places beside or under what is shown; `public/index.html` draws the same before anything runs. */
export function Frame({ hasBar = true, waits = false, children }: FrameProps) {
  const wide = useWide();
  return (
    <View className={`flex-1 bg-paper ${wide ? 'flex-row' : 'flex-col'}`}>
      {wide ? <Bar wide waits={waits} /> : null}
      <View className="flex-1">{children}</View>
      {wide || !hasBar ? null : <Bar wide={false} waits={waits} />}
    </View>
  );
}

/** The frame of every screen: the bar of places, the notices, and the place itself. */
export function Shell() {
  // On the mat one pose fills a phone's screen.
  const path = usePathname();
  const onMat = useOjas((state) => state.mat.now !== null) && path.endsWith('/mat');
  return (
    <Frame hasBar={!onMat}>
      <InSample />
      <OnlyLookedAt />
      <Parts />
      <PlaceBoundary>
        <Place path={path} />
      </PlaceBoundary>
      <Notices isBusy={onMat} />
      <Shortcuts />
    </Frame>
  );
}

/** The student whom an address names, or null: also where it is written as no address is. */
function studentIn(path: string): string | null {
  const id = /^\/students\/([^/]+)/.exec(path)?.[1];
  if (id === undefined || id === 'new') return null;
  try {
    return decodeURIComponent(id);
  } catch {
    return null;
  }
}

/** The place itself; one that needs the records of many years waits for them. */
function Place({ path }: { readonly path: string }) {
  const dispatch = useOjasDispatch();
  const { left, arrived } = useOjas((state) => state.storage);
  const people = useOjas((state) => state.people);
  const student = studentIn(path);
  // Of somebody who is not here no records come.
  const missing =
    left > 0 &&
    student !== null &&
    recordIn(people, student) !== undefined &&
    !recordIn(arrived, student);
  useEffect(() => {
    if (missing) dispatch(wantRecords(student));
  }, [missing, student, dispatch]);
  const waits = missing || (left > 0 && path === '/more/data');
  return waits ? (
    <View role="main" className="flex-1 items-center justify-center bg-paper p-6">
      <Words role="status">Reading the records: {left} to come…</Words>
    </View>
  ) : (
    <Slot />
  );
}

/** Said while a book is shown that is not the one in the storage. */
function OnlyLookedAt() {
  const looking = useOjas((state) => state.storage.status === 'looking');
  if (!looking) return null;
  return (
    <View
      role="status"
      className="flex-row flex-wrap items-center gap-3 border-b border-rust bg-sheet px-4 py-2"
    >
      <Words className="flex-1 text-rust">
        Only looked at: the storage of this browser does not answer, and nothing done here is saved.
      </Words>
      <Press onPress={() => window.location.reload()}>Load the app anew</Press>
    </View>
  );
}

/** Said while a part of the app cannot be loaded. */
function Parts() {
  const waiting = useSyncExternalStore(onPartsWaiting, partsWaiting, partsWaiting);
  if (waiting === 0) return null;
  return (
    <View
      role="alert"
      className="flex-row flex-wrap items-center gap-3 border-b border-rust bg-sheet px-4 py-2"
    >
      <Words className="flex-1 text-rust">
        A part of the app cannot be loaded now: no network, a busy server, or a newer version. It is
        tried again; everything already open goes on working.
      </Words>
      <Press onPress={tryPartsNow}>Try now</Press>
      <Press kind="quiet" onPress={() => window.location.reload()}>
        Load the app anew
      </Press>
    </View>
  );
}

const placeClass = (wide: boolean, here: boolean) =>
  `min-h-14 items-center ${wide ? 'flex-row gap-3 rounded-md px-3' : 'flex-auto justify-center gap-1'} ${here ? 'bg-sheet' : ''}`;

interface PlaceNameProps extends Pick<(typeof places)[number], 'icon' | 'name'> {
  readonly here: boolean;
}

const PlaceName = ({ icon: Icon, name, here }: PlaceNameProps) => (
  <>
    <Icon size={22} color={tone(here ? 'thread' : 'faint')} aria-hidden />
    <Words className={`text-sm ${here ? 'font-semibold text-thread' : 'text-faint'}`}>{name}</Words>
  </>
);

interface BarProps {
  readonly wide: boolean;
  readonly waits: boolean;
}

function Bar({ wide, waits }: BarProps) {
  const path = usePathname();
  return (
    <View
      role="navigation"
      aria-label="Places"
      className={
        wide
          ? 'w-44 gap-1 border-r border-line bg-well px-3 pt-6'
          : 'flex-row border-t border-line bg-well'
      }
    >
      {wide ? <Text className="mb-4 px-3 font-title text-2xl font-bold text-ink">Ojas</Text> : null}
      {places.map(({ href, name, icon: Icon }) => {
        const here = href === '/' ? path === '/' : path.startsWith(href);
        if (waits)
          return (
            <View key={href} className={placeClass(wide, false)}>
              <PlaceName icon={Icon} name={name} here={false} />
            </View>
          );
        return (
          <Link key={href} href={href} asChild>
            <Pressable aria-current={here ? 'page' : undefined} className={placeClass(wide, here)}>
              <PlaceName icon={Icon} name={name} here={here} />
            </Pressable>
          </Link>
        );
      })}
    </View>
  );
}
