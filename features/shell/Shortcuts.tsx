import { usePathname, useRouter } from 'expo-router';
import { useEffect, useRef, useState } from 'react';
import { View, type View as ViewType } from 'react-native';
import { useHotkeys } from 'react-hotkeys-hook';
import { undo } from '@/store/store';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { useOjas, useOjasDispatch } from '../hooks';

/** Keys that lead to a place. */
const places: Readonly<Record<string, readonly [words: string, href: string]>> = {
  t: ['Today', '/'],
  w: ['Week', '/week'],
  s: ['Students', '/students'],
  h: ['Shelf', '/shelf'],
  m: ['More', '/more'],
};
/** Keys that lead to a page of the student who is open. */
const pages: Readonly<Record<string, readonly [words: string, page: string]>> = {
  '1': ['Measure', 'measure'],
  '2': ['Plan', 'plan'],
  '3': ['Mat', 'mat'],
  '4': ['Record', 'record'],
  '5': ['Progress', 'progress'],
};
const others = [
  ['/', 'Find by name'],
  ['n', 'On the mat: the next step'],
  ['q', 'Finding a height: quiet'],
  ['x', 'Finding a height: it spoke'],
  ['u', 'Undo, as long as it is offered'],
  ['?', 'This list'],
  ['Esc', 'Close it'],
] as const;
const keyRows: readonly (readonly [string, string])[] = [
  ...Object.entries(places).map(([key, [words]]) => [key, words] as const),
  ...Object.entries(pages).map(([key, [words]]) => [key, `${words} of the student`] as const),
  ...others,
];

/** Presses the way on, where a screen has one. */
const pressNext = () =>
  [...document.querySelectorAll<HTMLElement>('button, [role="button"]')]
    .find(({ textContent }) => textContent?.startsWith('Next: '))
    ?.click();

const BY_KEY = { useKey: true, preventDefault: true } as const;

/** Keys for those who have some: `?` lists them. They do nothing while something is typed. */
export function Shortcuts() {
  const router = useRouter();
  const path = usePathname();
  const dispatch = useOjasDispatch();
  const offered = useOjas((state) => state.undo.offered);
  const [open, setOpen] = useState(false);
  const student = /^\/students\/([^/]+)/.exec(path)?.[1];
  useHotkeys(
    Object.keys(places),
    ({ key }) => router.push(places[key.toLowerCase()]?.[1] as '/'),
    BY_KEY,
    [router],
  );
  useHotkeys(
    Object.keys(pages),
    ({ key }) => {
      if (student && student !== 'new')
        router.push(`/students/${student}/${pages[key]?.[1]}` as '/');
    },
    BY_KEY,
    [student, router],
  );
  useHotkeys('?', () => setOpen((now) => !now), { useKey: true });
  useHotkeys('escape', () => setOpen(false));
  useHotkeys('u', () => void (offered && dispatch(undo(offered.seq))), BY_KEY, [offered]);
  useHotkeys(
    '/',
    () => document.querySelector<HTMLInputElement>('[role="main"] input, main input')?.focus(),
    BY_KEY,
  );
  useHotkeys('n', pressNext, BY_KEY);
  // Whoever opened it by keys closes it by keys.
  const panel = useRef<ViewType>(null);
  useEffect(() => {
    if (open) (panel.current as unknown as HTMLElement | null)?.focus?.();
  }, [open]);
  if (!open) return null;
  return (
    <View
      ref={panel}
      tabIndex={-1}
      className="absolute inset-0 z-10 items-center justify-center bg-paper/90 p-4"
    >
      <Sheet role="dialog" aria-modal aria-label="Keys" className="w-full max-w-[480px]">
        <Title level={2}>Keys</Title>
        {keyRows.map(([key, words]) => (
          <View key={key} className="flex-row gap-3">
            <Words className="min-w-[48px] font-semibold">{key}</Words>
            <Words className="flex-1">{words}</Words>
          </View>
        ))}
        <Press kind="main" onPress={() => setOpen(false)}>
          Close
        </Press>
      </Sheet>
    </View>
  );
}
