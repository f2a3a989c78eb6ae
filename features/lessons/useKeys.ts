import { useEffect, useRef } from 'react';

/** What the keys of a lesson do, a clicker's two among them. */
export interface LessonKeys {
  readonly pause: () => void;
  readonly onward: () => void;
  readonly again: () => void;
  readonly longer: () => void;
  readonly far: () => void;
}

const keyOf: Readonly<Record<string, keyof LessonKeys>> = {
  ' ': 'pause',
  Enter: 'pause',
  ArrowRight: 'onward',
  PageDown: 'onward',
  ArrowLeft: 'again',
  PageUp: 'again',
  '+': 'longer',
  f: 'far',
};

const isWrittenIn = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.closest('input, textarea, [contenteditable]') !== null;
const isPressed = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.closest('button, a, [role]:not([role="main"])') !== null;

/** Keys lead the lesson from anywhere on its screen; what has the focus keeps the keys that press it. */
export function useKeys(keys: LessonKeys): void {
  const now = useRef(keys);
  useEffect(() => {
    now.current = keys;
  });
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      const does = keyOf[event.key];
      if (!does || event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
      if (isWrittenIn(event.target)) return;
      if (does === 'pause' && isPressed(event.target)) return;
      event.preventDefault();
      now.current[does]();
    };
    window.addEventListener('keydown', pressed);
    return () => window.removeEventListener('keydown', pressed);
  }, []);
}
